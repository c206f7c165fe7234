// What differs from build to build stands in this object alone, so that those of the tests are the same in all of them.
namespace wisetick::test {

extern const char* const kSourceDir;
const char* const kSourceDir = WISETICK_SOURCE_DIR;

extern const bool kIsSanitized;
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
const bool kIsSanitized = true;
#else
const bool kIsSanitized = false;
#endif

} // namespace wisetick::test
