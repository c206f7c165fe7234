#pragma once

#include "files/part_fields.h"
#include "files/part_pieces.h"

namespace wisetick {

/// What the readers of a part's tables share: the part as far as it is read (all its ids are known before the first
/// table is), where faults go, and the fields that were seen.
struct PartContext {
    Part& part;
    Reporter& reporter;
    FieldBook book;
};

/// Reports an empty range: the upper end below the lower.
void checkOrder(TableReader& reader, const std::string& key, const std::optional<Rational>& low,
                const std::optional<Rational>& high);

/// The source or line of that id; reports where there is none.
std::optional<NodeIndex> resolveNode(const PartContext& context, TableReader& reader, const std::string& key,
                                     const std::string& id);

/// The tier that the key `tier` names, if it is there.
std::optional<std::size_t> resolveTier(const PartContext& context, TableReader& reader);

/// Whether a field belongs to one owner alone, and may not overlap another.
enum class FieldUse { own, shared };
std::optional<Field> readOneField(PartContext& context, TableReader& reader, const std::string& key, FieldUse use);

/// The nodes that a mux, or a line or peripheral without one, is fed from.
std::vector<NodeIndex> readInputs(const PartContext& context, TableReader& reader, const std::string& key);
std::vector<std::string> namesOf(const PartContext& context, const std::vector<NodeIndex>& inputs);

/// `reset.from` as an index into the inputs; the first where it is not given.
std::size_t readResetFrom(const PartContext& context, TableReader& reset, const std::vector<NodeIndex>& inputs);

} // namespace wisetick
