#include "files/part_skeleton.h"

#include <fmt/format.h>

namespace wisetick {

namespace {

constexpr const char* kSkeleton =
    R"toml(# A part: what the microcontroller offers, typed in from its datasheet. What the datasheet does not say is left out:
# it is then unknown, and whatever depends on it says so. `ref` may stand anywhere: the page or chapter of the fact.
format = "wisetick-part/1"
id = "{id}"                       # the file is called {id}.part.toml
name = "{id}"
note = "what it is, in a sentence"
supply = {{ min = "1.8 V", max = "3.6 V" }}
core = "core"                     # the line that clocks the core

# ---- tiers: performance levels of the regulator; leave them out if the part has none -----------------------

[[tier]]
id = "normal"
supply_min = "1.8 V"
field = "POWER.LEVEL[1:0]"        # register, then the bits; one bit is [4]
code = 1                          # what the field holds in this tier

# ---- sources: oscillators and clock inputs -----------------------------------------------------------------

[[source]]
id = "rc"
name = "internal RC"
kind = "rc"                       # rc, crystal or clock-in
rate = "8 MHz"                    # or rates = [...], with rate_field, codes and reset = {{ rate = "..." }}
tolerance = [{{ temp = ["-40 C", "85 C"], by = "2 %" }}]    # several steps, lopsided ones as ["-2 %", "3 %"]
startup = {{ typ = "5 us", max = "10 us" }}
draws = {{ typ = "80 uA", max = "120 uA" }}
field = "CLOCK.ON[0]"             # the bit that starts it

[[source]]
id = "xt"
name = "crystal"
kind = "crystal"                  # the plan says which one is fitted
range = ["4 MHz", "24 MHz"]
startup = {{ typ = "1 ms", max = "3 ms" }}
draws = {{ typ = "400 uA", max = "600 uA" }}
pins = ["P1", "P2"]               # free for other use while it is off
gm = "5 mA/V"                     # for the start-up margin
fails_to = {{ line = "core", from = "rc" }}    # what the hardware does by itself when it fails
field = "CLOCK.ON[1]"

# ---- lines: everything derived. rate = input x multiply / divide -------------------------------------------

[[line]]
id = "ref"
name = "reference of the multiplier"
from = ["rc", "xt"]               # more than one: a mux
divide = {{ from = 1, to = 16 }}    # or [1, 2, 4], {{ powers_of = 2, from = 0, to = 7 }}, step = "1/2" for halves
reset = {{ from = "rc", divide = 2 }}
fields = {{ from = "CLOCK.REF[8]", divide = "CLOCK.REF[3:0]" }}
holds = {{ from = {{ rc = 0, xt = 1 }}, divide = "n-1" }}    # "n", "n-1", "16*n", "n/2-1", "log2 n", or a table
limit = {{ min = "2 MHz", max = "8 MHz" }}

[[line]]
id = "vco"
name = "multiplier"
from = "ref"
multiply = {{ from = 16, to = 64 }} # fraction_bits = 12 makes it fractional
reset = {{ multiply = 25 }}
fields = {{ multiply = "CLOCK.MULT[6:0]", on = "CLOCK.ON[2]" }}
holds = {{ multiply = "n" }}
limit = {{ min = "64 MHz", max = "200 MHz" }}      # a list of limits may depend on tier, supply_below or when
startup = {{ typ = "50 us", max = "120 us" }}      # until it is locked
draws = {{ base = "150 uA", per_mhz = "1.5 uA" }}

[[line]]
id = "core"
from = ["rc", "xt", "vco"]
divide = {{ powers_of = 2, from = 0, to = 4 }}
reset = {{ from = "rc" }}
fields = {{ from = "CLOCK.CORE[5:4]", divide = "CLOCK.CORE[2:0]" }}
holds = {{ from = {{ rc = 0, xt = 1, vco = 2 }}, divide = "log2 n" }}
limit = {{ tier = "normal", max = "100 MHz" }}

[[line]]
id = "bus"
from = "core"
divide = [1, 2, 4]
fields = {{ divide = "CLOCK.BUS[1:0]" }}
holds = {{ divide = "log2 n" }}
limit = {{ max = "50 MHz" }}

[[wait]]                          # wait states of the memory: up to which rate how many
line = "core"
steps = [["40 MHz", 0, "100 %"], ["80 MHz", 1, "90 %"], ["100 MHz", 2, "84 %"]]
field = "MEMORY.WAIT[1:0]"

# ---- peripherals: uart, timer, watchdog, rtc, adc, spi, i2c, can, delay-loop -------------------------------

[[peripheral]]
id = "uart0"
kind = "uart"
clock = "bus"                     # several: its own mux
modes = [{{ oversample = 16, divisor = {{ from = 1, to = 4096 }} }}]    # step = "1/16" where it has fractions
gate = "ON.A[0]"                  # the bit that lets its clock in
fields = {{ divisor = "UART0.RATE[11:0]" }}
holds = {{ divisor = "n-1" }}
interrupts = ["UART0.INT[0]", "core"]    # what must be enabled, in order
pins = ["P3", "P4"]
draws = {{ per_mhz = "3 uA" }}

[[peripheral]]
id = "timer0"
kind = "timer"
clock = "bus"
bits = 16
prescaler = {{ from = 1, to = 65536 }}
gate = "ON.A[1]"
fields = {{ prescaler = "TIMER0.STEP[15:0]", counts = "TIMER0.TOP[15:0]" }}
holds = {{ prescaler = "n-1", counts = "n-1" }}
interrupts = ["TIMER0.INT[0]", "core"]
draws = {{ per_mhz = "4 uA" }}

# ---- pins, modes -------------------------------------------------------------------------------------------

[pins]
all = ["P1", "P2", "P3", "P4", "P5", "P6", "P7", "P8"]
debug = ["P7", "P8"]

[[mode]]
id = "run"
runs = true                       # exactly one mode
draws = {{ typ = "500 uA", max = "900 uA", per_mhz = "90 uA" }}

[[mode]]
id = "deep"
keeps = {{ memory = ["main"], pins = true }}    # sources, lines, peripherals: ids, or "all"
wakes_by = ["pin edge"]
wakes_on = "rc"
draws = {{ typ = [["25 C", "2 uA"], ["85 C", "14 uA"]], max = [["25 C", "5 uA"], ["85 C", "40 uA"]] }}
stages = [{{ say = "regulator", typ = "12 us", max = "20 us", draws = "1 mA" }}]
)toml";

} // namespace

std::string partSkeleton(const std::string& id) {
    return fmt::format(fmt::runtime(kSkeleton), fmt::arg("id", id));
}

} // namespace wisetick
