#include "files/part_skeleton.h"

#include "base/nearest_name.h"

#include <algorithm>

namespace wisetick {

namespace {

constexpr const char* kSmall =
    R"toml(# A part: what the microcontroller offers, typed in from its datasheet. What the datasheet does not say is left out:
# it is then unknown, and whatever depends on it says so. `ref` may stand anywhere: the page or chapter of the fact.
format = "wisetick-part/1"
id = "@id"                       # the file is called @id.part.toml
name = "@id"
note = "what it is, in a sentence"
supply = { min = "1.8 V", max = "3.6 V" }
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
rate = "8 MHz"                    # or rates = [...], with rate_field, codes and reset = { rate = "..." }
tolerance = [{ temp = ["-40 C", "85 C"], by = "2 %" }]    # several steps, lopsided ones as ["-2 %", "3 %"]
startup = { typ = "5 us", max = "10 us" }
draws = { typ = "80 uA", max = "120 uA" }
field = "CLOCK.ON[0]"             # the bit that starts it

[[source]]
id = "xt"
name = "crystal"
kind = "crystal"                  # the plan says which one is fitted
range = ["4 MHz", "24 MHz"]
startup = { typ = "1 ms", max = "3 ms" }
draws = { typ = "400 uA", max = "600 uA" }
pins = ["P1", "P2"]               # free for other use while it is off
gm = "5 mA/V"                     # for the start-up margin
fails_to = { line = "core", from = "rc" }    # what the hardware does by itself when it fails
field = "CLOCK.ON[1]"

# ---- lines: everything derived. rate = input x multiply / divide -------------------------------------------

[[line]]
id = "ref"
name = "reference of the multiplier"
from = ["rc", "xt"]               # more than one: a mux
divide = { from = 1, to = 16 }    # or [1, 2, 4], { powers_of = 2, from = 0, to = 7 }, step = "1/2" for halves
reset = { from = "rc", divide = 2 }
fields = { from = "CLOCK.REF[8]", divide = "CLOCK.REF[3:0]" }
holds = { from = { rc = 0, xt = 1 }, divide = "n-1" }    # "n", "n-1", "16*n", "n/2-1", "log2 n", or a table
limit = { min = "2 MHz", max = "8 MHz" }

[[line]]
id = "vco"
name = "multiplier"
from = "ref"
multiply = { from = 16, to = 64 } # fraction_bits = 12 makes it fractional
reset = { multiply = 25 }
fields = { multiply = "CLOCK.MULT[6:0]", on = "CLOCK.ON[2]" }
holds = { multiply = "n" }
limit = { min = "64 MHz", max = "200 MHz" }      # a list of limits may depend on tier, supply_below or when
startup = { typ = "50 us", max = "120 us" }      # until it is locked
draws = { base = "150 uA", per_mhz = "1.5 uA" }

[[line]]
id = "core"
from = ["rc", "xt", "vco"]
divide = { powers_of = 2, from = 0, to = 4 }
reset = { from = "rc" }
fields = { from = "CLOCK.CORE[5:4]", divide = "CLOCK.CORE[2:0]" }
holds = { from = { rc = 0, xt = 1, vco = 2 }, divide = "log2 n" }
limit = { tier = "normal", max = "100 MHz" }

[[line]]
id = "bus"
from = "core"
divide = [1, 2, 4]
fields = { divide = "CLOCK.BUS[1:0]" }
holds = { divide = "log2 n" }
limit = { max = "50 MHz" }

[[wait]]                          # wait states of the memory: up to which rate how many
line = "core"
steps = [["40 MHz", 0, "100 %"], ["80 MHz", 1, "90 %"], ["100 MHz", 2, "84 %"]]
field = "MEMORY.WAIT[1:0]"

# ---- peripherals: uart, timer, watchdog, rtc, adc, spi, i2c, can, delay-loop -------------------------------

[[peripheral]]
id = "uart0"
kind = "uart"
clock = "bus"                     # several: its own mux
modes = [{ oversample = 16, divisor = { from = 1, to = 4096 } }]    # step = "1/16" where it has fractions
gate = "ON.A[0]"                  # the bit that lets its clock in
fields = { divisor = "UART0.RATE[11:0]" }
holds = { divisor = "n-1" }
interrupts = ["UART0.INT[0]", "core"]    # what must be enabled, in order
pins = ["P3", "P4"]
draws = { per_mhz = "3 uA" }

[[peripheral]]
id = "timer0"
kind = "timer"
clock = "bus"
bits = 16
prescaler = { from = 1, to = 65536 }
gate = "ON.A[1]"
fields = { prescaler = "TIMER0.STEP[15:0]", counts = "TIMER0.TOP[15:0]" }
holds = { prescaler = "n-1", counts = "n-1" }
interrupts = ["TIMER0.INT[0]", "core"]
draws = { per_mhz = "4 uA" }

# ---- pins, modes -------------------------------------------------------------------------------------------

[pins]
all = ["P1", "P2", "P3", "P4", "P5", "P6", "P7", "P8"]
debug = ["P7", "P8"]

[[mode]]
id = "run"
runs = true                       # exactly one mode
draws = { typ = "500 uA", max = "900 uA", per_mhz = "90 uA" }

[[mode]]
id = "deep"
keeps = { memory = ["main"], pins = true }    # sources, lines, peripherals: ids, or "all"
wakes_by = ["pin edge"]
wakes_on = "rc"
draws = { typ = [["25 C", "2 uA"], ["85 C", "14 uA"]], max = [["25 C", "5 uA"], ["85 C", "40 uA"]] }
stages = [{ say = "regulator", typ = "12 us", max = "20 us", draws = "1 mA" }]
)toml";

constexpr const char* kMiddle =
    R"toml(# A part of the middle class: what a microcontroller offers, typed in from its datasheet. What the datasheet does not say is left
# out: it is then unknown, and whatever depends on it says so. `ref` may stand anywhere: the page or chapter of the fact.
format = "wisetick-part/1"
id = "@id"                       # the file is called @id.part.toml
name = "@id"
note = "what it is, in a sentence"
supply = { min = "1.7 V", max = "3.6 V" }
temperature = { min = "-40 C", max = "105 C" }
core = "core"                     # the line that clocks the core
# registers = "@id.svd"           # a CMSIS-SVD file beside this one: fields may then be given by name, "CLOCK.MAIN.ON"

# ---- registers: where they begin, what they need, how they are written --------------------------------------

[[block]]
name = ["CLOCK", "POWER", "PORT", "UART1", "UART2", "UART3", "TIMER1", "TIMER2", "DOG"]
address = 0x4000_0000
apart = 0x400

[[sequence]]
id = "power_key"                  # what must be written just before
writes = ["POWER.KEY = 0x5A17"]

[[register]]
each = [
  { name = "POWER.KEY", access = "wo" },                              # rw, ro, wo, w1c, w0c, rc or set
  { name = ["POWER.GRADE", "POWER.REST"], needs = "power_key" },
  { name = ["UART1.FLAG", "UART2.FLAG", "UART3.FLAG", "TIMER1.FLAG", "TIMER2.FLAG"], access = "w1c" },
]

# ---- tiers: performance levels of the regulator -------------------------------------------------------------

[[tier]]
field = "POWER.GRADE[1:0]"
ready = "POWER.STATE[0]"          # 1 once it is reached
startup = { typ = "20 us", max = "35 us" }
each = [
  { id = "fast", supply_min = "2 V", code = 0 },
  { id = "slow", code = 1 },
]

# ---- sources ------------------------------------------------------------------------------------------------

[[source]]
id = "rc"
name = "quick RC"
kind = "rc"
rate = "16 MHz"
tolerance = [{ temp = ["0 C", "70 C"], by = "1 %" }, { temp = ["-40 C", "105 C"], by = ["-2.5 %", "2 %"] }]
trim = { field = "CLOCK.TRIM[5:0]", from = 0, to = 63, reset = 32, step = "0.3 %", left = "0.15 %" }
startup = { typ = "2 us", max = "4 us" }
draws = { typ = "90 uA", max = "125 uA" }
field = "CLOCK.ON[0]"
ready = "CLOCK.ON[8]"

[[source]]
id = "xt"
name = "crystal"
kind = "crystal"
range = ["4 MHz", "32 MHz"]
startup = { typ = "1.2 ms", max = "3 ms" }
draws = { typ = "380 uA", max = "640 uA" }
pins = ["A1", "A2"]
gm = "6 mA/V"
fed_in = { field = "CLOCK.ON[4]", max = "50 MHz", pins = ["A1"] }    # a clock instead of a crystal
fails_to = { line = "core", from = "rc" }
field = "CLOCK.ON[1]"
ready = "CLOCK.ON[9]"

[[source]]
id = "watch"
name = "watch crystal"
kind = "crystal"
range = ["32.768 kHz", "32.768 kHz"]
startup = { typ = "1 s", max = "3 s" }
pins = ["A3", "A4"]
field = "CLOCK.ON[2]"
ready = "CLOCK.ON[10]"

[source.drive]                    # how hard it is driven: a control
field = "CLOCK.DRIVE[1:0]"
levels = [
  { id = "soft", gm = "5 uA/V", draws = { typ = "200 nA", max = "400 nA" } },
  { id = "hard", gm = "20 uA/V", draws = { typ = "400 nA", max = "800 nA" } },
]

# ---- a multiplier with a fraction, and its outputs ----------------------------------------------------------

[[line]]
id = "ref"
name = "reference of the multiplier"
from = ["none", "rc", "xt"]       # none: no clock
divide = { from = 1, to = 16 }
fields = { from = "CLOCK.MULT[31:30]", divide = "CLOCK.MULT[27:24]" }
holds = { from = "in order", divide = "n-1" }
limit = { min = "1 MHz", max = "16 MHz" }

[[line]]
id = "vco"
name = "multiplier"
from = "ref"
multiply = { from = 8, to = 256, fraction_bits = 10 }
reset = { multiply = 8 }
fields = { multiply = { whole = "CLOCK.MULT[8:0]", fraction = "CLOCK.PART[9:0]", enable = "CLOCK.PART[31]" }, on = "CLOCK.ON[3]" }
holds = { multiply = { whole = "n" } }
limit = [
  { when = { line = "ref", least = "2 MHz" }, min = "100 MHz", max = "400 MHz" },
  { when = { line = "ref", below = "2 MHz" }, min = "80 MHz", max = "200 MHz" },
]
ready = "CLOCK.ON[11]"
startup = { typ = "60 us", max = "150 us" }
draws = { base = "200 uA", per_mhz = "2 uA" }
written_while = "off"             # its settings are taken only while it stands still

[[bound]]                         # a field that follows from a rate and is never chosen
say = "input range"
line = "ref"
field = "CLOCK.PART[21:20]"
from = [["1 MHz", 0], ["2 MHz", 1], ["4 MHz", 2], ["8 MHz", 3]]

[[template]]                      # what several are like; {n} and other names in braces are put in
id = "out"
name = "multiplier, output {n}"
from = "vco"
divide = { from = 1, to = 64 }
holds = { divide = "n-1" }
limit = { max = { fast = "120 MHz", slow = "48 MHz" } }

[[line]]
each = [
  { id = "out_p", like = "out", with = { n = "p" }, fields = { divide = "CLOCK.OUTS[5:0]" } },
  { id = "out_q", like = "out", with = { n = "q" }, fields = { divide = "CLOCK.OUTS[13:8]" } },
]

# ---- core and buses -----------------------------------------------------------------------------------------

[[line]]
id = "core"
from = ["rc", "xt", "out_p"]
divide = { powers_of = 2, from = 0, to = 6 }
fields = { from = "CLOCK.CORE[1:0]", divide = "CLOCK.CORE[6:4]" }
holds = { from = "in order", divide = "log2 n" }
shows = "CLOCK.CORE[9:8]"         # the input that is in use
through = { above = "60 MHz", divide = 2, for = "2 us" }    # where it must stand first on the way to a fast rate
limit = { max = { fast = "120 MHz", slow = "48 MHz" } }

[[line]]
ids = "bus_{a,b}"
name = "bus {n}"
from = "core"
divide = [1, 2, 4]
with = { low = [12, 14] }
fields = { divide = "CLOCK.CORE[{low + 1}:{low}]" }
holds = { divide = "log2 n" }
limit = { max = "60 MHz" }

[[wait]]
line = "core"
field = "MEMORY.WAIT[2:0]"
cases = [
  { tier = "fast", steps = [["30 MHz", 0, "100 %"], ["60 MHz", 1, "94 %"], ["90 MHz", 2, "89 %"], ["120 MHz", 3, "85 %"]] },
  { tier = "slow", steps = [["16 MHz", 0, "100 %"], ["32 MHz", 1, "94 %"], ["48 MHz", 2, "89 %"]] },
]

# ---- peripherals --------------------------------------------------------------------------------------------

[[peripheral]]
ids = "uart{1..3}"
kind = "uart"
clock = ["bus_a", "core", "rc", "watch"]
modes = [{ oversample = 16, divisor = { from = 1, to = "65535/16", step = "1/16" } }]
gate = "CLOCK.GATES[{n}]"
fields = { divisor = "UART{n}.RATE[15:0]", from = "PORT.FROM[{n * 2 + 1}:{n * 2}]" }
holds = { divisor = "16*n", from = "in order" }
interrupts = ["UART{n}.ENABLE[0]", "core"]
flags = ["UART{n}.FLAG[0]"]
pins = { tx = ["B{n}", "C{n}"], rx = ["B{n + 8}", "C{n + 8}"] }    # where each signal can stand; the plan chooses
draws = { per_mhz = "2 uA", of = "bus_a" }

[[peripheral]]
ids = "timer{1..2}"
kind = "timer"
clock = "bus_b"
bits = 16
prescaler = { from = 1, to = 65536 }
gate = "CLOCK.GATES[{n + 8}]"
fields = { prescaler = "TIMER{n}.STEP[15:0]", counts = ["TIMER{n}.HIGH[7:0]", "TIMER{n}.LOW[7:0]"] }    # in two bytes, the high one first
holds = { prescaler = "n-1", counts = "n-1" }
interrupts = ["TIMER{n}.ENABLE[0]", "core"]
flags = ["TIMER{n}.FLAG[0]"]
draws = { per_mhz = "3 uA" }

# ---- pins, modes --------------------------------------------------------------------------------------------

[pins]
all = ["A{1..16}", "B{1..16}", "C{1..16}"]
debug = ["A13", "A14"]

[[mode]]
id = "run"
runs = true                       # exactly one mode
draws = [
  { tier = "fast", typ = "600 uA", max = "1.1 mA", per_mhz = "110 uA" },
  { tier = "slow", typ = "300 uA", max = "650 uA", per_mhz = "85 uA" },
]

[[mode]]
id = "deep"
keeps = { sources = ["watch"], memory = ["main"], pins = true }
wakes_by = ["pin edge"]
wakes_on = { from = ["rc", "xt"], field = "POWER.REST[8]", codes = [0, 1] }    # a choice of the take
enter = ["POWER.REST[1:0] = 2", { wait = "interrupt" }]                         # what the firmware writes to get into it
draws = { typ = [["25 C", "2.2 uA"], ["105 C", "30 uA"]], max = [["25 C", "6 uA"], ["105 C", "95 uA"]] }
stages = [{ say = "regulator", typ = "10 us", max = "18 us", draws = "1 mA" }]
options = [{ id = "memory", values = ["kept", "lost"], reset = "kept", field = "POWER.REST[4]", adds = { lost = { draws = "-300 nA", loses = ["main"] } } }]
)toml";

std::string withId(std::string text, const std::string& id) {
    const std::string mark = "@id";
    for (std::size_t at = text.find(mark); at != std::string::npos; at = text.find(mark, at + id.size())) {
        text.replace(at, mark.size(), id);
    }
    return text;
}

} // namespace

const std::vector<std::string>& partSkeletons() {
    static const std::vector<std::string> names{"small", "middle"};
    return names;
}

std::string partSkeleton(const std::string& id, const std::string& like) {
    return withId(like == partSkeletons().back() ? kMiddle : kSmall, id);
}

} // namespace wisetick
