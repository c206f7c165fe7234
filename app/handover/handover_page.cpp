#include "handover/handover_page.h"

#include "handover/handover_view.h"
#include "paint/text.h"
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
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override {
        return tr("what leaves the plan, and whether what left it still says the same; Enter writes a file");
    }
    void entered() override { view_->work().look(); }
    bool isBusy() const override { return view_->work().isBusy(); }
    QString helpPage(const QWidget*) const override { return "handover.md"; }

    HandoverView& view() { return *view_; }
    Document& document() { return document_; }

private:
    HandoverView* view_;
    std::shared_ptr<State> worst_;
};

HandoverPage& handoverOf(View& view) {
    return static_cast<HandoverPage&>(view);
}

void readRegisters(View& view) {
    HandoverPage& page = handoverOf(view);
    const QString path = QFileDialog::getOpenFileName(page.widget(), QObject::tr("Registers read from a board"));
    if (!path.isEmpty()) {
        const Diagnostics faults = page.view().work().readFoundFile(path);
        page.view().tell(faults.empty() ? QString() : text(diagnosticText(faults.front())));
    }
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
        {QObject::tr("Handover: write all that is behind"), QKeySequence("Ctrl+Alt+W"),
         [](View& view) { handoverOf(view).view().write({}); }, true},
        {QObject::tr("Handover: write the selected file over what was changed by hand"), QKeySequence("Ctrl+Alt+Shift+W"),
         [](View& view) { handoverOf(view).view().write(handoverOf(view).view().list()->selected(), OverEdited::yes); }, true},
        {QObject::tr("Handover: read registers from a file"), QKeySequence("Ctrl+Alt+G"), readRegisters, true},
        {QObject::tr("Handover: take what was found as a new take"), QKeySequence("Ctrl+Alt+T"), takeFound, true},
    };
    return kind;
}

} // namespace wisetick::app
