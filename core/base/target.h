#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace wisetick {

/// What a figure is about, or a number comes from, and what one can go to.
struct Target {
    enum class Room {
        nothing,
        line,       ///< a source or line, by id
        peripheral, ///< or a channel of one, "timer3.1"
        promise,    ///< by name
        mode,
        job,
        take,
        rhythm, ///< "average" or "life"
        part,   ///< a path into the part file, "line.bus_a.limit"
        plan,   ///< a path into the plan file, "board.fitted.xtm.rate"
        way,    ///< the order of writing, from "reset" or "take B"
        fails,  ///< what follows when that source fails
        step,   ///< of the workings beside it, by number
        seek    ///< Seek, about the promise of that name where there is one
    };

    Room room = Room::nothing;
    std::string name = {};

    static Target line(std::string id) { return {Room::line, std::move(id)}; }
    static Target peripheral(std::string id) { return {Room::peripheral, std::move(id)}; }
    static Target promise(std::string its) { return {Room::promise, std::move(its)}; }
    static Target mode(std::string id) { return {Room::mode, std::move(id)}; }
    static Target job(std::string its) { return {Room::job, std::move(its)}; }
    static Target take(std::string its) { return {Room::take, std::move(its)}; }
    static Target rhythm(std::string which) { return {Room::rhythm, std::move(which)}; }
    static Target part(std::string path) { return {Room::part, std::move(path)}; }
    static Target plan(std::string path) { return {Room::plan, std::move(path)}; }
    static Target way(std::string from) { return {Room::way, std::move(from)}; }
    static Target fails(std::string source) { return {Room::fails, std::move(source)}; }
    static Target step(std::size_t number) { return {Room::step, std::to_string(number)}; }
    static Target seek(std::string promise = {}) { return {Room::seek, std::move(promise)}; }

    bool isNothing() const { return room == Room::nothing; }
    bool is(Room other) const { return room == other; }
    bool operator==(const Target&) const = default;
};

/// "line/bus_a", "promise/modem", "seek"; an empty text for nothing.
std::string targetText(const Target& target);

/// The same read back; nothing where it names no room.
std::optional<Target> readTarget(std::string_view text);

} // namespace wisetick
