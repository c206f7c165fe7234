/* wisetick-sum e2dc0647: made from Lagoon buoy; change that, not this file */
/* Lagoon buoy, take bus, on Gorse 12: rates and register fields. */
#ifndef LAGOON_BUOY_BUS_FIELDS_H
#define LAGOON_BUOY_BUS_FIELDS_H

/* rates */
#define LAGOON_BUOY_BUS_XH_HZ 16000000u /* xh: 16 MHz */
#define LAGOON_BUOY_BUS_XS_HZ 32768u /* xs: 32.768 kHz */
#define LAGOON_BUOY_BUS_CORE_HZ 16000000u /* core, from xh ÷ 1: 16 MHz */
#define LAGOON_BUOY_BUS_BUS_E_HZ 8000000u /* bus_e, ÷ 2: 8 MHz */
#define LAGOON_BUOY_BUS_CAN_CLK_HZ 16000000u /* can_clk, from xh: 16 MHz */
#define LAGOON_BUOY_BUS_NET_HZ 250000u /* net: can talks 250 kbit/s, over 40 m, with node delay 210 ns, while exchange: got 250 kbit/s */

/* tier half */
#define LAGOON_BUOY_BUS_TIER 0x1u /* POWER.GRADE[1:0]: half, holds a code */
#define LAGOON_BUOY_BUS_TIER_SHIFT 0u
#define LAGOON_BUOY_BUS_TIER_MASK 0x00000003u

/* wait states of core: 0 */
#define LAGOON_BUOY_BUS_WAIT 0x0u /* MEM.WAIT[3:0]: 0, holds n */
#define LAGOON_BUOY_BUS_WAIT_SHIFT 0u
#define LAGOON_BUOY_BUS_WAIT_MASK 0x0000000Fu

/* xh at 16 MHz */
#define LAGOON_BUOY_BUS_XH_FED_IN 0x0u /* OSC.MAIN[1]: crystal, holds 1 for fed in */
#define LAGOON_BUOY_BUS_XH_FED_IN_SHIFT 1u
#define LAGOON_BUOY_BUS_XH_FED_IN_MASK 0x00000002u
#define LAGOON_BUOY_BUS_XH_ON 0x1u /* OSC.MAIN[0]: on, holds 1 for on */
#define LAGOON_BUOY_BUS_XH_ON_SHIFT 0u
#define LAGOON_BUOY_BUS_XH_ON_MASK 0x00000001u

/* xs at 32.768 kHz */
#define LAGOON_BUOY_BUS_XS_DRIVE 0x0u /* BACKUP.OSC[3:2]: soft, holds a code */
#define LAGOON_BUOY_BUS_XS_DRIVE_SHIFT 2u
#define LAGOON_BUOY_BUS_XS_DRIVE_MASK 0x0000000Cu
#define LAGOON_BUOY_BUS_XS_ON 0x1u /* BACKUP.OSC[0]: on, holds 1 for on */
#define LAGOON_BUOY_BUS_XS_ON_SHIFT 0u
#define LAGOON_BUOY_BUS_XS_ON_MASK 0x00000001u

/* core at 16 MHz, from xh ÷ 1 */
#define LAGOON_BUOY_BUS_CORE_FROM 0x1u /* CLK.CORE[1:0]: xh, holds a code */
#define LAGOON_BUOY_BUS_CORE_FROM_SHIFT 0u
#define LAGOON_BUOY_BUS_CORE_FROM_MASK 0x00000003u
#define LAGOON_BUOY_BUS_CORE_DIVIDE 0x0u /* CLK.DIV[3:0]: 1, holds a code */
#define LAGOON_BUOY_BUS_CORE_DIVIDE_SHIFT 0u
#define LAGOON_BUOY_BUS_CORE_DIVIDE_MASK 0x0000000Fu

/* bus_e at 8 MHz, ÷ 2 */
#define LAGOON_BUOY_BUS_BUS_E_DIVIDE 0x1u /* CLK.DIV[6:4]: 2, holds a code */
#define LAGOON_BUOY_BUS_BUS_E_DIVIDE_SHIFT 4u
#define LAGOON_BUOY_BUS_BUS_E_DIVIDE_MASK 0x00000070u

/* can_clk at 16 MHz, from xh */
#define LAGOON_BUOY_BUS_CAN_CLK_FROM 0x0u /* PORT.B[5:4]: xh, holds a code */
#define LAGOON_BUOY_BUS_CAN_CLK_FROM_SHIFT 4u
#define LAGOON_BUOY_BUS_CAN_CLK_FROM_MASK 0x00000030u

/* net: can talks 250 kbit/s, over 40 m, with node delay 210 ns, while exchange: got 250 kbit/s, exact, at worst −25 ppm … +25 ppm */
#define LAGOON_BUOY_BUS_CAN_GATE 0x1u /* ON.E[6]: on, holds 1 for on */
#define LAGOON_BUOY_BUS_CAN_GATE_SHIFT 6u
#define LAGOON_BUOY_BUS_CAN_GATE_MASK 0x00000040u

/* day: calendar drifts at most 3 s/day, in take slow, in take fast, in take bus, in take creep: got 0 s/day, at worst 0 s/day … 1.728 s/day */
#define LAGOON_BUOY_BUS_CALENDAR_FROM 0x0u /* BACKUP.CAL[1:0]: xs, holds a code */
#define LAGOON_BUOY_BUS_CALENDAR_FROM_SHIFT 0u
#define LAGOON_BUOY_BUS_CALENDAR_FROM_MASK 0x00000003u

/* what the firmware believes of its rates: define it before, and a difference does not compile */
#ifndef WISETICK_ASSERT
#if defined(__cplusplus)
#define WISETICK_ASSERT(is_so, say) static_assert(is_so, say)
#elif defined(__STDC_VERSION__) && __STDC_VERSION__ >= 201112L
#define WISETICK_ASSERT(is_so, say) _Static_assert(is_so, say)
#else
#define WISETICK_JOINED(a, b) a##b
#define WISETICK_NAMED(line) WISETICK_JOINED(wisetick_assert_, line)
#define WISETICK_ASSERT(is_so, say) extern char WISETICK_NAMED(__LINE__)[(is_so) ? 1 : -1]
#endif
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_XH_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_XH_HZ) == LAGOON_BUOY_BUS_XH_HZ, "LAGOON_BUOY_BUS_EXPECTED_XH_HZ is not 16000000");
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_XS_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_XS_HZ) == LAGOON_BUOY_BUS_XS_HZ, "LAGOON_BUOY_BUS_EXPECTED_XS_HZ is not 32768");
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_CORE_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_CORE_HZ) == LAGOON_BUOY_BUS_CORE_HZ, "LAGOON_BUOY_BUS_EXPECTED_CORE_HZ is not 16000000");
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_BUS_E_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_BUS_E_HZ) == LAGOON_BUOY_BUS_BUS_E_HZ, "LAGOON_BUOY_BUS_EXPECTED_BUS_E_HZ is not 8000000");
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_CAN_CLK_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_CAN_CLK_HZ) == LAGOON_BUOY_BUS_CAN_CLK_HZ, "LAGOON_BUOY_BUS_EXPECTED_CAN_CLK_HZ is not 16000000");
#endif
#ifdef LAGOON_BUOY_BUS_EXPECTED_NET_HZ
WISETICK_ASSERT((LAGOON_BUOY_BUS_EXPECTED_NET_HZ) == LAGOON_BUOY_BUS_NET_HZ, "LAGOON_BUOY_BUS_EXPECTED_NET_HZ is not 250000");
#endif

#endif
