#include "files/part_context.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

std::optional<NodeIndex> findNone(const Part& part) {
    const bool isThere = !part.sources.empty() && part.sources.back().kind == SourceKind::none;
    return isThere ? std::optional(part.sources.size() - 1) : std::nullopt;
}

} // namespace

void checkOrder(TableReader& reader, const std::string& key, const std::optional<Rational>& low,
                const std::optional<Rational>& high) {
    if (low && high && *high < *low) {
        reader.error(key, phrase("an empty range"), phrase("the upper end not below the lower"));
    }
}

std::optional<NodeIndex> resolveNode(const PartContext& context, TableReader& reader, const std::string& key,
                                     const std::string& id) {
    const auto node = context.part.findNode(id);
    if (!node) {
        reader.error(key, phrase("no source or line '{}'", id), listNames(nodeIds(context.part)),
                     didYouMean(id, nodeIds(context.part)));
    }
    return node;
}

std::optional<std::size_t> resolveTier(const PartContext& context, TableReader& reader) {
    const auto id = reader.text("tier");
    if (!id) {
        return std::nullopt;
    }
    const auto tier = context.part.findTier(*id);
    if (!tier) {
        reader.error("tier", phrase("no tier '{}'", *id), listNames(idsOf(context.part.tiers)),
                     didYouMean(*id, idsOf(context.part.tiers)));
    }
    return tier;
}

std::optional<Field> readOneField(PartContext& context, TableReader& reader, const std::string& key, FieldUse use) {
    const toml::node* node = reader.node(key);
    const auto field = node == nullptr ? std::nullopt : context.book.read(*node, context.reporter, reader.at(key));
    if (field && use == FieldUse::own) {
        context.book.add(*field, *node, reader.path(), key);
    }
    return field;
}

std::vector<NodeIndex> readInputs(const PartContext& context, TableReader& reader, const std::string& key) {
    std::vector<NodeIndex> inputs;
    for (const std::string& id : reader.texts(key, Need::required)) {
        const auto node = id == kNoClock ? findNone(context.part) : resolveNode(context, reader, key, id);
        if (node && std::find(inputs.begin(), inputs.end(), *node) != inputs.end()) {
            reader.error(key, phrase("'{}' twice", id), phrase("each input once"));
        } else if (node) {
            inputs.push_back(*node);
        }
    }
    return inputs;
}

std::vector<std::string> namesOf(const PartContext& context, const std::vector<NodeIndex>& inputs) {
    std::vector<std::string> names;
    for (const NodeIndex input : inputs) {
        names.push_back(context.part.nodeId(input));
    }
    return names;
}

std::size_t readResetFrom(const PartContext& context, TableReader& reset, const std::vector<NodeIndex>& inputs) {
    const auto id = reset.text("from");
    if (!id) {
        return 0;
    }
    const std::vector<std::string> names = namesOf(context, inputs);
    const auto found = std::find(names.begin(), names.end(), *id);
    if (found == names.end()) {
        reset.error("from", phrase("no input '{}'", *id), listNames(names), didYouMean(*id, names));
        return 0;
    }
    return static_cast<std::size_t>(found - names.begin());
}

} // namespace wisetick
