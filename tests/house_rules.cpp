#include "support.h"

#include <filesystem>
#include <regex>
#include <set>

namespace fs = std::filesystem;
using wisetick::test::fileText;
using wisetick::test::sourceDir;

namespace {

/// What each room of the core may include beside itself.
const std::map<std::string, std::set<std::string>>& mayInclude() {
    static const std::map<std::string, std::set<std::string>> rooms{
        {"base", {}},
        {"quantity", {"base"}},
        {"part", {"base", "quantity"}},
        {"plan", {"base", "quantity", "part"}},
        {"files", {"base", "quantity", "part", "plan"}},
        {"promise", {"base", "quantity", "part", "plan"}},
        {"sleep", {"base", "quantity", "part", "plan"}},
        {"derive", {"base", "quantity", "part", "plan", "promise", "sleep"}},
        {"kinds", {"base", "quantity", "part", "plan", "files", "promise", "sleep", "derive"}},
        {"rhythm", {"base", "quantity", "part", "plan", "derive", "sleep"}},
        {"evaluate", {"base", "quantity", "part", "plan", "promise", "sleep", "derive", "rhythm"}},
        {"seek", {"base", "quantity", "part", "plan", "promise", "sleep", "derive", "rhythm", "evaluate"}},
        {"handover", {"base", "quantity", "part", "plan", "files", "derive", "promise", "sleep", "rhythm", "evaluate"}},
        {"workshop", {"base", "quantity", "part", "plan", "files", "derive", "evaluate"}},
        {"bench", {"base", "quantity", "part", "plan", "derive", "promise", "sleep", "rhythm", "evaluate", "handover", "files"}},
    };
    return rooms;
}

/// What each room of the window may include beside itself: the shell stands on top, document and paint at the ground.
const std::map<std::string, std::set<std::string>>& windowMayInclude() {
    static const std::set<std::string> ground{"document", "language", "paint"};
    static const std::set<std::string> view{"document", "language", "paint", "picture", "view"};
    static const std::map<std::string, std::set<std::string>> rooms{
        {"language", {}},
        {"document", {"language"}},
        {"paint", {"language"}},
        {"picture", {"language", "paint"}},
        {"view", {"document", "language", "paint", "picture"}},
        {"promises", ground},
        {"workings", ground},
        {"takes", view},
        {"welcome", view},
        {"seek", ground},
        {"board", view},
        {"desk", view},
        {"sleep", view},
        {"bench", view},
        {"handover", view},
        {"rhythm", view},
        {"clocks", {"document", "language", "paint", "picture", "view", "seek"}},
        {"part_editor", {"document", "language", "paint", "clocks"}},
        {"shell",
         {"bench", "board", "clocks", "desk", "document", "handover", "language", "paint", "part_editor", "picture", "promises",
          "rhythm", "seek", "sleep", "takes", "view", "welcome", "workings"}},
    };
    return rooms;
}

std::vector<fs::path> sources(const std::string& folder) {
    std::vector<fs::path> files;
    for (const auto& entry : fs::recursive_directory_iterator(fs::path(sourceDir()) / folder)) {
        const std::string extension = entry.path().extension().string();
        if (extension == ".cpp" || extension == ".h") {
            files.push_back(entry.path());
        }
    }
    return files;
}

std::vector<std::string> includesOf(const std::string& text) {
    static const std::regex include("^#include *[<\"]([^>\"]+)[>\"]", std::regex::multiline);
    std::vector<std::string> found;
    for (auto it = std::sregex_iterator(text.begin(), text.end(), include); it != std::sregex_iterator(); ++it) {
        found.push_back((*it)[1]);
    }
    return found;
}

} // namespace

/// The rules of the house that a compiler does not know.
class HouseRules : public QObject {
    Q_OBJECT

private slots:
    void includesRunOneWay() {
        int count = 0;
        for (const fs::path& file : sources("core")) {
            const std::string room = fs::relative(file, fs::path(sourceDir()) / "core").begin()->string();
            QVERIFY2(mayInclude().contains(room), room.c_str());
            for (const std::string& include : includesOf(fileText(file.string()))) {
                const std::string target = include.substr(0, include.find('/'));
                if (!mayInclude().contains(target)) {
                    continue; // a library's header
                }
                ++count;
                QVERIFY2(target == room || mayInclude().at(room).contains(target),
                         (file.string() + " includes " + include).c_str());
            }
        }
        QVERIFY(count > 50);
    }

    void includesOfTheWindowRunOneWay() {
        const fs::path app = fs::path(sourceDir()) / "app";
        int count = 0;
        for (const fs::path& file : sources("app")) {
            const std::string room = fs::relative(file, app).begin()->string();
            if (room == "main.cpp") {
                continue; // it puts everything together
            }
            QVERIFY2(windowMayInclude().contains(room), room.c_str());
            for (const std::string& include : includesOf(fileText(file.string()))) {
                if (!fs::exists(app / include)) {
                    continue; // the core's, or a library's
                }
                ++count;
                const std::string target = include.substr(0, include.find('/'));
                QVERIFY2(target == room || windowMayInclude().at(room).contains(target),
                         (file.string() + " includes " + include).c_str());
            }
        }
        QVERIFY(count > 100);
    }

    /// The window makes no edit of its own: what it sends to the document is a function of the core.
    void theWindowEditsNoPlan() {
        const std::regex change(
            R"(plan\.[a-zA-Z_.()\[\]]+ (=|\+=) |plan\.[a-zA-Z_.()]+\.(push_back|erase|insert|clear|pop_back)\(|erase_if\(plan\.)");
        for (const fs::path& file : sources("app")) {
            std::smatch match;
            const std::string text = fileText(file.string());
            QVERIFY2(!std::regex_search(text, match, change), (file.string() + ": " + match.str()).c_str());
        }
    }

    /// The window knows each view by its row in one list.
    void theWindowKnowsNoViewByName() {
        const std::regex view("(board|shelf|clocks|desk|sleep|rhythm|seek)_(view|page|panel)");
        for (const char* name : {"main_window.h", "main_window.cpp", "main_window_views.cpp", "main_window_commands.cpp"}) {
            std::smatch match;
            const std::string text = fileText(sourceDir() + "/app/shell/" + name);
            QVERIFY2(!std::regex_search(text, match, view), (std::string(name) + ": " + match.str()).c_str());
        }
    }

    void theCoreKnowsNoQt() {
        for (const fs::path& file : sources("core")) {
            for (const std::string& include : includesOf(fileText(file.string()))) {
                QVERIFY2(!(include.size() > 1 && include[0] == 'Q' && std::isupper(static_cast<unsigned char>(include[1])) != 0),
                         (file.string() + " includes " + include).c_str());
            }
        }
    }

    /// The core neither prints nor exits nor reads a clock.
    void theCoreReturnsValues() {
        const std::regex forbidden(R"(\b(std::cout|std::cerr|printf|std::exit|std::chrono|std::time|getenv)\b)");
        for (const fs::path& file : sources("core")) {
            std::smatch match;
            const std::string text = fileText(file.string());
            QVERIFY2(!std::regex_search(text, match, forbidden), (file.string() + ": " + match.str()).c_str());
        }
    }

    /// Nothing in code knows the id of a shipped part.
    void noCodeKnowsAShippedPart() {
        for (const auto& entry : fs::directory_iterator(fs::path(sourceDir()) / "parts")) {
            const std::string name = entry.path().filename().string();
            const std::string id = name.substr(0, name.find('.'));
            for (const char* folder : {"core", "cli", "app"}) {
                for (const fs::path& file : sources(folder)) {
                    QVERIFY2(fileText(file.string()).find(id) == std::string::npos, (file.string() + " names " + id).c_str());
                }
            }
        }
    }

    /// Two types of one name would silently be taken for one another where they are linked.
    void noTypeIsNamedTwice() {
        static const std::regex type("(^|\n)(struct|class|enum class) (\\w+)[^;{\n]*\\{");
        for (const char* part : {"core", "app"}) {
            std::map<std::string, std::string> known;
            for (const fs::path& file : sources(part)) {
                if (file.extension() != ".h") {
                    continue;
                }
                const std::string text = fileText(file.string());
                for (std::sregex_iterator found(text.begin(), text.end(), type), end; found != end; ++found) {
                    const auto [at, isNew] = known.emplace((*found)[3].str(), file.string());
                    QVERIFY2(isNew || at->second == file.string(),
                             qPrintable(QString::fromStdString((*found)[3].str() + ": " + at->second + " and " + file.string())));
                }
            }
            QVERIFY(known.size() > 50);
        }
    }

    void filesStaySmall() {
        for (const char* folder : {"core", "cli", "app"}) {
            for (const fs::path& file : sources(folder)) {
                const std::string text = fileText(file.string());
                const auto lines = std::count(text.begin(), text.end(), '\n');
                QVERIFY2(lines <= 600, (file.string() + " has " + std::to_string(lines) + " lines").c_str());
            }
        }
    }
};

QTEST_APPLESS_MAIN(HouseRules)
#include "house_rules.moc"
