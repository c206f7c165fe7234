// The definitions of toml++, which is declared only elsewhere.
#define TOML_IMPLEMENTATION
#include <toml++/toml.h>
