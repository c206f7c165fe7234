namespace wisetick::test {

extern const char* const kSourceDir;
const char* const kSourceDir = WISETICK_SOURCE_DIR;

} // namespace wisetick::test
