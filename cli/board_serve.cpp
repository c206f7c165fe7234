#include "board_serve.h"

#include "bench/rate_sweep.h"
#include "bench/scpi_board.h"
#include "loading.h"
#include "terminal_rate.h"

#include <algorithm>
#include <arpa/inet.h>
#include <cerrno>
#include <chrono>
#include <cstring>
#include <fcntl.h>
#include <netinet/in.h>
#include <ostream>
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>
#include <vector>

namespace wisetick::cli {

namespace {

constexpr int kStepTime = 50; ///< ms, whether it shall stop
constexpr std::size_t kMostClients = 8;
constexpr std::size_t kMostLine = 64 * 1024; ///< letters of a command
constexpr double kTextEvery = 0.1;           ///< s, between two texts on the terminal

/// A file that is closed with its owner.
class Handle {
public:
    explicit Handle(int number = -1) : number_(number) {}
    Handle(Handle&& other) noexcept : number_(std::exchange(other.number_, -1)) {}
    Handle& operator=(Handle&& other) noexcept {
        std::swap(number_, other.number_);
        return *this;
    }
    ~Handle() {
        if (number_ >= 0) {
            close(number_);
        }
    }
    int number() const { return number_; }
    explicit operator bool() const { return number_ >= 0; }

private:
    int number_;
};

struct Client {
    Handle socket;
    ScpiBoard board; ///< its own configuration and errors
    std::string asked = {};
    std::string told = {};
};

class BoardServer {
public:
    BoardServer(std::shared_ptr<const Capture> capture, const BoardService& service, std::ostream& out, std::ostream& err)
        : capture_(std::move(capture)), service_(service), out_(out), err_(err) {}

    bool begin() { return (!service_.scpiPort || listenOn(*service_.scpiPort)) && (!service_.hasTerminal || openTerminal()); }

    void step() {
        std::vector<pollfd> watched;
        if (listener_) {
            watched.push_back({listener_.number(), POLLIN, 0});
        }
        for (const Client& client : clients_) {
            watched.push_back({client.socket.number(), static_cast<short>(POLLIN | (client.told.empty() ? 0 : POLLOUT)), 0});
        }
        poll(watched.data(), watched.size(), kStepTime);
        std::size_t place = 0;
        const bool isCalled = listener_ && (watched[place++].revents & POLLIN) != 0;
        for (std::size_t i = 0; i < clients_.size(); ++i, ++place) {
            if (watched[place].revents != 0 && !serve(clients_[i], watched[place].revents)) {
                clients_[i].socket = Handle();
            }
        }
        std::erase_if(clients_, [](const Client& client) { return !client.socket; });
        if (isCalled) {
            accept();
        }
        if (terminal_) {
            speak();
        }
    }

private:
    bool listenOn(int port) {
        listener_ = Handle(socket(AF_INET, SOCK_STREAM | SOCK_CLOEXEC, 0));
        const int yes = 1;
        setsockopt(listener_.number(), SOL_SOCKET, SO_REUSEADDR, &yes, sizeof yes);
        sockaddr_in address{};
        address.sin_family = AF_INET;
        address.sin_addr.s_addr = htonl(INADDR_LOOPBACK); // nobody outside of this machine
        address.sin_port = htons(static_cast<std::uint16_t>(port));
        socklen_t size = sizeof address;
        auto* plain = reinterpret_cast<sockaddr*>(&address);
        if (!listener_ || bind(listener_.number(), plain, size) != 0 || listen(listener_.number(), 4) != 0 ||
            getsockname(listener_.number(), plain, &size) != 0) {
            err_ << "error: port " << port << ": " << std::strerror(errno) << "\n";
            return false;
        }
        out_ << "scpi 127.0.0.1:" << ntohs(address.sin_port) << std::endl;
        return true;
    }

    bool openTerminal() {
        terminal_ = Handle(posix_openpt(O_RDWR | O_NOCTTY | O_NONBLOCK | O_CLOEXEC));
        if (!terminal_ || grantpt(terminal_.number()) != 0 || unlockpt(terminal_.number()) != 0) {
            err_ << "error: a pseudo-terminal: " << std::strerror(errno) << "\n";
            return false;
        }
        const char* name = ptsname(terminal_.number());
        kept_ = Handle(open(name, O_RDWR | O_NOCTTY | O_CLOEXEC)); // it stays while readers come and go
        makeRaw(kept_.number());
        out_ << "terminal " << name << std::endl;
        return true;
    }

    void accept() {
        Handle client(accept4(listener_.number(), nullptr, nullptr, SOCK_NONBLOCK | SOCK_CLOEXEC));
        if (client && clients_.size() < kMostClients) {
            clients_.push_back({std::move(client), ScpiBoard(capture_)});
        }
    }

    bool serve(Client& client, short events) {
        if ((events & POLLIN) != 0) {
            char piece[4096];
            const ssize_t got = read(client.socket.number(), piece, sizeof piece);
            if (got == 0 || (got < 0 && errno != EAGAIN)) {
                return false;
            }
            client.asked.append(piece, static_cast<std::size_t>(std::max<ssize_t>(got, 0)));
            for (std::size_t end = 0; (end = client.asked.find('\n')) != std::string::npos;) {
                const std::string answer = client.board.answer(client.asked.substr(0, end));
                client.asked.erase(0, end + 1);
                client.told += answer.empty() ? answer : answer + "\n";
            }
            if (client.asked.size() > kMostLine) {
                return false;
            }
        } else if ((events & (POLLHUP | POLLERR)) != 0) {
            return false;
        }
        while (!client.told.empty()) {
            const ssize_t sent = send(client.socket.number(), client.told.data(), client.told.size(), MSG_NOSIGNAL);
            if (sent < 0) {
                return errno == EAGAIN;
            }
            client.told.erase(0, static_cast<std::size_t>(sent));
        }
        return true;
    }

    /// Sends its text as a receiver of the rate that the other end has set hears it, as fast as the board's own rate lets it;
    /// what is written to it is answered.
    void speak() {
        char piece[256];
        const ssize_t got = read(terminal_.number(), piece, sizeof piece);
        for (ssize_t i = 0; i < got; ++i) {
            if (piece[i] == '\n' || piece[i] == '\r') {
                pending_ += typed_.empty() ? std::string() : "you said " + typed_ + "\r\n";
                typed_.clear();
            } else {
                typed_ += piece[i];
            }
        }
        const auto now = std::chrono::steady_clock::now();
        if (std::chrono::duration<double>(now - spoken_).count() < kTextEvery && pending_.empty()) {
            return;
        }
        spoken_ = now;
        const long rate = terminalRate(kept_.number());
        const std::string text = pending_.empty() ? service_.terminalText : std::exchange(pending_, {});
        const Rational heard = rate > 0 ? Rational(rate) : service_.bitsPerSecond;
        const std::string garbled = heardAt(text, service_.frame, service_.bitsPerSecond, heard);
        [[maybe_unused]] const ssize_t written = write(terminal_.number(), garbled.data(), garbled.size()); // nobody may be there
    }

    std::shared_ptr<const Capture> capture_;
    const BoardService& service_;
    std::ostream& out_;
    std::ostream& err_;
    Handle listener_;
    Handle terminal_;
    Handle kept_;
    std::vector<Client> clients_;
    std::string typed_;
    std::string pending_;
    std::chrono::steady_clock::time_point spoken_{};
};

} // namespace

int serveBoard(std::shared_ptr<const Capture> capture, const BoardService& service, std::ostream& out, std::ostream& err,
               const std::atomic<bool>& stop) {
    BoardServer server(std::move(capture), service, out, err);
    if (!server.begin()) {
        return kBadInput;
    }
    while (!stop) {
        server.step();
    }
    return kHolds;
}

} // namespace wisetick::cli
