#include "shell/views.h"

#include "bench/bench_page.h"
#include "board/board_page.h"
#include "board/shelf_page.h"
#include "clocks/clocks_page.h"
#include "desk/desk_page.h"
#include "handover/handover_page.h"
#include "rhythm/rhythm_page.h"
#include "sleep/sleep_page.h"
#include "takes/takes_page.h"
#include "welcome/welcome_page.h"

namespace wisetick::app {

std::vector<ViewKind> viewKinds() {
    return {boardKind(),  shelfKind(), clocksKind(),   deskKind(),  sleepKind(),
            rhythmKind(), benchKind(), handoverKind(), takesKind(), welcomeKind()};
}

} // namespace wisetick::app
