#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// One piece of a report for people.
struct ReportBlock {
    enum class Kind {
        heading,   ///< `text`, of a level from 1
        paragraph, ///< `text`
        table,     ///< `rows`, the first of them the head
        picture    ///< of what `anchor` names, where there is one; `text` says what is seen
    };
    Kind kind = Kind::paragraph;
    std::string text;
    int level = 1;
    std::string anchor;              ///< of a heading: what links go to; of a picture: its name
    std::optional<State> state = {}; ///< that the text is marked with
    std::vector<std::vector<std::string>> rows = {};
    std::vector<bool> isNumber = {}; ///< by column: it stands at the right
};

/// All that a plan gives, to be read from beginning to end: what holds, the board, takes, clocks, each promise with its workings
/// and fields, modes, the rhythm of the jobs, the battery, what is unknown, findings. `takes` are the figures of the takes that
/// count, the active one first, with workings. `before`: figures to say what moved since; none: nothing of that.
std::vector<ReportBlock> reportOf(const Part& part, const Plan& plan, const std::vector<Figures>& takes,
                                  const Figures* before = nullptr);

/// One file that needs no other: contents, pictures (SVG, by their anchor), light and dark as the reader has it, and a style for
/// print, where each chapter begins on a page of its own.
std::string reportHtml(const std::vector<ReportBlock>& blocks, const std::map<std::string, std::string>& pictures = {});

/// The same as Markdown, without pictures.
std::string reportMarkdown(const std::vector<ReportBlock>& blocks);

} // namespace wisetick
