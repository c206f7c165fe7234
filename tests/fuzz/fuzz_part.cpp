#include "readers.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    wisetick::fuzz::feedPart({reinterpret_cast<const char*>(data), size});
    return 0;
}
