#include "handover/handover_page.h"

#include "handover/handover_view.h"
#include "paint/text.h"
#include "paint/tool_links.h"
#include "plan/take_edits.h"

#include <QFileDialog>
#include <QLineEdit>

namespace wisetick::app {

namespace {

class HandoverPage : public View {
public:
    HandoverPage(Document& document, ViewHost& host, std::shared_ptr<State> worst)
        : View(document, host), view_(new HandoverView(document)), worst_(std::move(worst)) {
        connect(&view_->work(), &HandoverWork::changed, this, [this] {
            *worst_ = view_->work().worst();
            emit hintChanged();
        });
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return links_; }
    void setTheme(const Theme& theme) override {
        view_->setTheme(theme);
        const auto link = [this](const QString& name, void (HandoverPage::*run)()) {
            return ToolLinks::Link{name, [this, run] { (this->*run)(); }};
        };
        links_->setLinks(
            {link(tr("write all"), &HandoverPage::writeAll), link(tr("read registers"), &HandoverPage::readRegisters)}, theme);
    }
    QString hint() const override {
        return tr("what leaves the plan, and whether what left it still says the same; Enter writes a file");
    }
    void entered() override { view_->work().look(); }
    bool isBusy() const override { return view_->work().isBusy(); }
    QString helpPage(const QWidget*) const override { return "handover.md"; }

    void writeAll() { view_->write({}); }
    void readRegisters() {
        const QString path = QFileDialog::getOpenFileName(view_, tr("Registers read from a board"));
        if (!path.isEmpty()) {
            const Diagnostics faults = view_->work().readFoundFile(path);
            view_->tell(faults.empty() ? QString() : text(diagnosticText(faults.front())));
        }
    }
    HandoverView& view() { return *view_; }
    Document& document() { return document_; }

private:
    HandoverView* view_;
    ToolLinks* links_ = new ToolLinks(tr("What can be done with the files"));
    std::shared_ptr<State> worst_;
};

HandoverPage& handoverOf(View& view) {
    return static_cast<HandoverPage&>(view);
}

void takeFound(View& view) {
    HandoverPage& page = handoverOf(view);
    if (page.view().work().foundFile().isEmpty()) {
        page.view().tell(QObject::tr("no registers were read yet"));
        return;
    }
    const std::string name = freeTakeName(page.document().plan());
    page.view().tell(page.document().edit(QObject::tr("take %1 as found").arg(text(name)), page.view().work().takeOfFound(name)));
}

} // namespace

ViewKind handoverKind() {
    auto worst = std::make_shared<State>(State::pending); // until it was looked at
    ViewKind kind;
    kind.name = "handover";
    kind.title = QObject::tr("Handover");
    kind.key = 7;
    kind.state = [worst](const Document& document) {
        return document.isOpen() && !document.plan().handover.empty() ? *worst : State::kept;
    };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [worst](Document& document, ViewHost& host) -> View* { return new HandoverPage(document, host, worst); };
    kind.commands = {
        {QObject::tr("Write all that is behind"), QKeySequence("Ctrl+Alt+W"), [](View& view) { handoverOf(view).writeAll(); },
         true},
        {QObject::tr("Write the selected file over what was changed by hand"), QKeySequence("Ctrl+Alt+Shift+W"),
         [](View& view) { handoverOf(view).view().write(handoverOf(view).view().list()->selected(), OverEdited::yes); }, true},
        {QObject::tr("Read registers from a file"), QKeySequence("Ctrl+Alt+G"),
         [](View& view) { handoverOf(view).readRegisters(); }, true},
        {QObject::tr("Take what was found as a new take"), QKeySequence("Ctrl+Alt+Shift+G"), takeFound, true},
    };
    return kind;
}

} // namespace wisetick::app
