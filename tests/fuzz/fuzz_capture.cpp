#include "readers.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    wisetick::fuzz::feedCapture({reinterpret_cast<const char*>(data), size});
    return 0;
}
