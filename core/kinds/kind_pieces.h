#pragma once

#include "derive/line_limits.h"
#include "derive/meeting_row.h"
#include "files/part_limits.h"
#include "files/part_pieces.h"
#include "plan/promise_clauses.h"
#include "plan/promise_text.h"
#include "quantity/quantity_print.h"
