/* wisetick-sum 61aeba38: made from Lagoon buoy; change that, not this file */
/* Lagoon buoy, take fast, on Gorse 12: writes its registers in order. */
#include <stdint.h>

#ifdef WISETICK_ON_HOST
#ifndef WT_BACKUP_CAL
#define WT_BACKUP_CAL wisetick_host_BACKUP_CAL
static volatile uint32_t wisetick_host_BACKUP_CAL;
#endif
#ifndef WT_BACKUP_OSC
#define WT_BACKUP_OSC wisetick_host_BACKUP_OSC
static volatile uint32_t wisetick_host_BACKUP_OSC;
#endif
#ifndef WT_CLK_CORE
#define WT_CLK_CORE wisetick_host_CLK_CORE
static volatile uint32_t wisetick_host_CLK_CORE;
#endif
#ifndef WT_CLK_DIV
#define WT_CLK_DIV wisetick_host_CLK_DIV
static volatile uint32_t wisetick_host_CLK_DIV;
#endif
#ifndef WT_CLK_OUT
#define WT_CLK_OUT wisetick_host_CLK_OUT
static volatile uint32_t wisetick_host_CLK_OUT;
#endif
#ifndef WT_CORE_SLEEP
#define WT_CORE_SLEEP wisetick_host_CORE_SLEEP
static volatile uint32_t wisetick_host_CORE_SLEEP;
#endif
#ifndef WT_LOOP_FD
#define WT_LOOP_FD wisetick_host_LOOP_FD
static volatile uint32_t wisetick_host_LOOP_FD;
#endif
#ifndef WT_LOOP_FF
#define WT_LOOP_FF wisetick_host_LOOP_FF
static volatile uint32_t wisetick_host_LOOP_FF;
#endif
#ifndef WT_LOOP_FM
#define WT_LOOP_FM wisetick_host_LOOP_FM
static volatile uint32_t wisetick_host_LOOP_FM;
#endif
#ifndef WT_LOOP_FR
#define WT_LOOP_FR wisetick_host_LOOP_FR
static volatile uint32_t wisetick_host_LOOP_FR;
#endif
#ifndef WT_LOOP_ON
#define WT_LOOP_ON wisetick_host_LOOP_ON
static volatile uint32_t wisetick_host_LOOP_ON;
#endif
#ifndef WT_LOOP_SOURCE
#define WT_LOOP_SOURCE wisetick_host_LOOP_SOURCE
static volatile uint32_t wisetick_host_LOOP_SOURCE;
#endif
#ifndef WT_MEM_WAIT
#define WT_MEM_WAIT wisetick_host_MEM_WAIT
static volatile uint32_t wisetick_host_MEM_WAIT;
#endif
#ifndef WT_ON_O
#define WT_ON_O wisetick_host_ON_O
static volatile uint32_t wisetick_host_ON_O;
#endif
#ifndef WT_OSC_LOOPS
#define WT_OSC_LOOPS wisetick_host_OSC_LOOPS
static volatile uint32_t wisetick_host_OSC_LOOPS;
#endif
#ifndef WT_OSC_MAIN
#define WT_OSC_MAIN wisetick_host_OSC_MAIN
static volatile uint32_t wisetick_host_OSC_MAIN;
#endif
#ifndef WT_OSC_PORT
#define WT_OSC_PORT wisetick_host_OSC_PORT
static volatile uint32_t wisetick_host_OSC_PORT;
#endif
#ifndef WT_OSC_QUICK
#define WT_OSC_QUICK wisetick_host_OSC_QUICK
static volatile uint32_t wisetick_host_OSC_QUICK;
#endif
#ifndef WT_PORT_A
#define WT_PORT_A wisetick_host_PORT_A
static volatile uint32_t wisetick_host_PORT_A;
#endif
#ifndef WT_PORT_B
#define WT_PORT_B wisetick_host_PORT_B
static volatile uint32_t wisetick_host_PORT_B;
#endif
#ifndef WT_POWER_GRADE
#define WT_POWER_GRADE wisetick_host_POWER_GRADE
static volatile uint32_t wisetick_host_POWER_GRADE;
#endif
#ifndef WT_POWER_KEY
#define WT_POWER_KEY wisetick_host_POWER_KEY
static volatile uint32_t wisetick_host_POWER_KEY;
#endif
#ifndef WT_POWER_REST
#define WT_POWER_REST wisetick_host_POWER_REST
static volatile uint32_t wisetick_host_POWER_REST;
#endif
#ifndef WT_POWER_STATE
#define WT_POWER_STATE wisetick_host_POWER_STATE
static volatile uint32_t wisetick_host_POWER_STATE;
#endif
#ifndef WT_POWER_WAKE
#define WT_POWER_WAKE wisetick_host_POWER_WAKE
static volatile uint32_t wisetick_host_POWER_WAKE;
#endif
#ifndef WT_TIMER1_LOAD
#define WT_TIMER1_LOAD wisetick_host_TIMER1_LOAD
static volatile uint32_t wisetick_host_TIMER1_LOAD;
#endif
#ifndef WT_UART1_PRE
#define WT_UART1_PRE wisetick_host_UART1_PRE
static volatile uint32_t wisetick_host_UART1_PRE;
#endif
#ifndef WT_UART1_RATE
#define WT_UART1_RATE wisetick_host_UART1_RATE
static volatile uint32_t wisetick_host_UART1_RATE;
#endif
#else
#ifndef WISETICK_REGISTERS
#define WISETICK_REGISTERS "registers.h" /* your part's registers */
#endif
#include WISETICK_REGISTERS
#ifndef WT_BACKUP_CAL
#define WT_BACKUP_CAL BACKUP.CAL
#endif
#ifndef WT_BACKUP_OSC
#define WT_BACKUP_OSC BACKUP.OSC
#endif
#ifndef WT_CLK_CORE
#define WT_CLK_CORE CLK.CORE
#endif
#ifndef WT_CLK_DIV
#define WT_CLK_DIV CLK.DIV
#endif
#ifndef WT_CLK_OUT
#define WT_CLK_OUT CLK.OUT
#endif
#ifndef WT_CORE_SLEEP
#define WT_CORE_SLEEP CORE.SLEEP
#endif
#ifndef WT_LOOP_FD
#define WT_LOOP_FD LOOP.FD
#endif
#ifndef WT_LOOP_FF
#define WT_LOOP_FF LOOP.FF
#endif
#ifndef WT_LOOP_FM
#define WT_LOOP_FM LOOP.FM
#endif
#ifndef WT_LOOP_FR
#define WT_LOOP_FR LOOP.FR
#endif
#ifndef WT_LOOP_ON
#define WT_LOOP_ON LOOP.ON
#endif
#ifndef WT_LOOP_SOURCE
#define WT_LOOP_SOURCE LOOP.SOURCE
#endif
#ifndef WT_MEM_WAIT
#define WT_MEM_WAIT MEM.WAIT
#endif
#ifndef WT_ON_O
#define WT_ON_O ON.O
#endif
#ifndef WT_OSC_LOOPS
#define WT_OSC_LOOPS OSC.LOOPS
#endif
#ifndef WT_OSC_MAIN
#define WT_OSC_MAIN OSC.MAIN
#endif
#ifndef WT_OSC_PORT
#define WT_OSC_PORT OSC.PORT
#endif
#ifndef WT_OSC_QUICK
#define WT_OSC_QUICK OSC.QUICK
#endif
#ifndef WT_PORT_A
#define WT_PORT_A PORT.A
#endif
#ifndef WT_PORT_B
#define WT_PORT_B PORT.B
#endif
#ifndef WT_POWER_GRADE
#define WT_POWER_GRADE POWER.GRADE
#endif
#ifndef WT_POWER_KEY
#define WT_POWER_KEY POWER.KEY
#endif
#ifndef WT_POWER_REST
#define WT_POWER_REST POWER.REST
#endif
#ifndef WT_POWER_STATE
#define WT_POWER_STATE POWER.STATE
#endif
#ifndef WT_POWER_WAKE
#define WT_POWER_WAKE POWER.WAKE
#endif
#ifndef WT_TIMER1_LOAD
#define WT_TIMER1_LOAD TIMER1.LOAD
#endif
#ifndef WT_UART1_PRE
#define WT_UART1_PRE UART1.PRE
#endif
#ifndef WT_UART1_RATE
#define WT_UART1_RATE UART1.RATE
#endif
#endif

/* each of these may be defined before, to trace or to run elsewhere */
#ifndef WISETICK_STORE
#define WISETICK_STORE(reg, value) ((reg) = (value))
#endif
#ifndef WISETICK_FAILED
#define WISETICK_FAILED(step) ((void)(step)) /* waited for in vain */
#endif
#ifndef WISETICK_UNTIL
#ifdef WISETICK_ON_HOST
#define WISETICK_UNTIL(is_so, passes, step) (void)(is_so)
#else
/* a pass takes a cycle of the core at least, so that the time is never too short */
#define WISETICK_UNTIL(is_so, passes, step) \
    do { \
        uint32_t left = (passes); \
        while (!(is_so)) { \
            if (left == 0u) { \
                WISETICK_FAILED(step); \
                return (step); \
            } \
            --left; \
        } \
    } while (0)
#endif
#endif
#ifndef WISETICK_WAIT_NS
#ifdef WISETICK_ON_HOST
#define WISETICK_WAIT_NS(ns, core_hz) ((void)0)
#else
#error "define WISETICK_WAIT_NS(ns, core_hz): waits so long, while the core runs at core_hz"
#endif
#endif
#ifndef WISETICK_REST
#ifdef WISETICK_ON_HOST
#define WISETICK_REST() ((void)0)
#else
#error "define WISETICK_REST(): your core's instruction that waits for an interrupt"
#endif
#endif

int lagoon_buoy_fast_clocks(void);
int lagoon_buoy_fast_modem(void);
int lagoon_buoy_fast_lamp(void);
int lagoon_buoy_fast_late_clocks(void);
int lagoon_buoy_fast_day(void);
int lagoon_buoy_fast_rest(void);
int lagoon_buoy_fast_after_rest(void);
int lagoon_buoy_fast_all(void);

/* from reset to the clocks of take fast */
int lagoon_buoy_fast_clocks(void)
{
    WISETICK_STORE(WT_OSC_MAIN, (WT_OSC_MAIN & 0xFFFFFFFEu) | 0x00000001u); /* start xh */
    WISETICK_STORE(WT_OSC_PORT, (WT_OSC_PORT & 0xFFFFFFEFu) | 0x00000010u); /* set ru up */
    WISETICK_STORE(WT_OSC_PORT, (WT_OSC_PORT & 0xFFFFFFFEu) | 0x00000001u); /* start ru */
    WISETICK_STORE(WT_POWER_KEY, 0x00006B39u); /* power_key, for: start xs */
    WISETICK_STORE(WT_BACKUP_OSC, (WT_BACKUP_OSC & 0xFFFFFFFEu) | 0x00000001u); /* start xs */
    WISETICK_STORE(WT_POWER_KEY, 0x00006B39u); /* power_key, for: tier full */
    WISETICK_STORE(WT_POWER_GRADE, (WT_POWER_GRADE & 0xFFFFFFFCu)); /* tier full */
    WISETICK_UNTIL((WT_POWER_STATE & 0x00000004u) == 0x00000004u, 560u, 8); /* tier full, at most 40 µs */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFFFE0u) | 0x00000003u); /* f_ref ÷ 4 */
    WISETICK_STORE(WT_LOOP_FM, (WT_LOOP_FM & 0xFFFFFE00u) | 0x00000041u); /* f × 66 */
    WISETICK_STORE(WT_LOOP_FF, (WT_LOOP_FF & 0xFFFFF800u)); /* f × 66 */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFF7FFu)); /* f × 66 */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFFF8Fu) | 0x00000010u); /* bus_e ÷ 2 */
    WISETICK_UNTIL((WT_OSC_PORT & 0x00000002u) == 0x00000002u, 98u, 14); /* wait for ru, at most 7 µs */
    WISETICK_UNTIL((WT_OSC_MAIN & 0x00000100u) == 0x00000100u, 50400u, 15); /* wait for xh, at most 3.6 ms */
    WISETICK_STORE(WT_LOOP_SOURCE, (WT_LOOP_SOURCE & 0xFFFFFFFCu) | 0x00000002u); /* loop_src from xh */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFFCFFu) | 0x00000200u); /* input range of f: 2 */
    WISETICK_STORE(WT_OSC_LOOPS, (WT_OSC_LOOPS & 0xFFFFFFFEu) | 0x00000001u); /* start f and wait until it is locked */
    WISETICK_UNTIL((WT_OSC_LOOPS & 0x00000002u) == 0x00000002u, 2660u, 19); /* start f and wait until it is locked, at most 190 µs */
    WISETICK_STORE(WT_LOOP_ON, (WT_LOOP_ON & 0xFFFFFFFEu) | 0x00000001u); /* let in f_p */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFFFF0u) | 0x00000003u); /* core ÷ 2 on the way */
    WISETICK_STORE(WT_MEM_WAIT, (WT_MEM_WAIT & 0xFFFFFFF0u) | 0x00000002u); /* wait states of core: 2 */
    WISETICK_STORE(WT_CLK_CORE, (WT_CLK_CORE & 0xFFFFFFFCu) | 0x00000002u); /* core from f_p */
    WISETICK_UNTIL((WT_CLK_CORE & 0x0000000Cu) == 0x00000008u, 4294967295u, 24); /* core from f_p, how long it takes at most is unknown */
    WISETICK_WAIT_NS(1500u, 66000000u); /* core from f_p */
    WISETICK_STORE(WT_MEM_WAIT, (WT_MEM_WAIT & 0xFFFFFFF0u) | 0x00000004u); /* wait states of core: 4 */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFFFF0u)); /* core ÷ 1 */
    return 0;
}

/* modem: uart1 talks 921600 within 1.5 %, while report: got ≈923.08 kbit/s, ≈+0.1603 %, at worst ≈+0.1578 % … ≈+0.1628 % */
int lagoon_buoy_fast_modem(void)
{
    WISETICK_STORE(WT_ON_O, (WT_ON_O & 0xFFFFFFFEu) | 0x00000001u); /* let its clock in */
    WISETICK_STORE(WT_PORT_A, (WT_PORT_A & 0xFFFFFFFCu)); /* clock it from bus_o */
    WISETICK_STORE(WT_UART1_RATE, (WT_UART1_RATE & 0xFFFF0000u) | 0x0000008Fu); /* divisor 8 15/16 */
    WISETICK_STORE(WT_UART1_PRE, (WT_UART1_PRE & 0xFFFFFFF8u)); /* prescaler 1 */
    return 0;
}

/* lamp: timer1.1 drives 20 kHz at 35 % duty, dead 500 ns, inside, in take fast: got 20 kHz, exact, at worst −25 ppm … +25 ppm */
int lagoon_buoy_fast_lamp(void)
{
    WISETICK_STORE(WT_ON_O, (WT_ON_O & 0xFFFFFFFBu) | 0x00000004u); /* let its clock in */
    WISETICK_STORE(WT_TIMER1_LOAD, (WT_TIMER1_LOAD & 0xFFFFFFFEu) | 0x00000001u); /* take the settings at once, not at the next overflow: forgotten most often */
    return 0;
}

/* what hangs on xs, which nothing before needs */
int lagoon_buoy_fast_late_clocks(void)
{
    WISETICK_UNTIL((WT_BACKUP_OSC & 0x00000002u) == 0x00000002u, 462000000u, 1); /* wait for xs, at most 3.5 s */
    WISETICK_STORE(WT_CLK_OUT, (WT_CLK_OUT & 0xFFFFFFF0u) | 0x00000006u); /* out from xs */
    WISETICK_STORE(WT_OSC_QUICK, (WT_OSC_QUICK & 0xFFFFFEFFu)); /* stop rq */
    return 0;
}

/* day: calendar drifts at most 3 s/day, in take slow, in take fast, in take bus, in take creep: got 0 s/day, at worst 0 s/day … 1.728 s/day */
int lagoon_buoy_fast_day(void)
{
    WISETICK_STORE(WT_POWER_KEY, 0x00006B39u); /* power_key, for: clock it from xs */
    WISETICK_STORE(WT_BACKUP_CAL, (WT_BACKUP_CAL & 0xFFFFFFFCu)); /* clock it from xs */
    return 0;
}

/* into deep, until something wakes it */
int lagoon_buoy_fast_rest(void)
{
    /* finish what uart1 and quad transfer: they lose their clock in deep */
    WISETICK_STORE(WT_POWER_WAKE, (WT_POWER_WAKE & 0xFFFFFFFEu)); /* set wakes_on of deep to rq */
    WISETICK_STORE(WT_POWER_KEY, 0x00006B39u); /* power_key, for: set wakes_on of deep to rq */
    WISETICK_STORE(WT_POWER_REST, (WT_POWER_REST & 0xFFFFFF9Fu)); /* set wakes_on of deep to rq, set memory_b of deep to off */
    /* save what is needed of 'b' or 'backup': its contents are lost in deep */
    WISETICK_STORE(WT_POWER_KEY, 0x00006B39u); /* power_key, for: choose deep, then wait for an event */
    WISETICK_STORE(WT_POWER_REST, (WT_POWER_REST & 0xFFFFFFF8u) | 0x00000002u); /* choose deep, then wait for an event */
    WISETICK_STORE(WT_CORE_SLEEP, (WT_CORE_SLEEP & 0xFFFFFFFDu) | 0x00000002u); /* choose deep, then wait for an event */
    WISETICK_REST(); /* choose deep, then wait for an event: only 'pin edge', 'uart5', 'slow', 'calendar' or 'dog1' ends it */
    return 0;
}

/* after waking from deep */
int lagoon_buoy_fast_after_rest(void)
{
    /* the core comes back on rq at 14 MHz: not on its clock of the take */
    /* until the clocks are back these do not hold: core, modem, store, lamp */
    /* the first byte that wakes it over uart5 is lost: its clock runs after 3.8002 ms at the longest, a bit lasts ≈104.17 µs, and it may begin ≈104.17 µs late */
    WISETICK_STORE(WT_OSC_MAIN, (WT_OSC_MAIN & 0xFFFFFFFEu) | 0x00000001u); /* start xh */
    WISETICK_STORE(WT_OSC_PORT, (WT_OSC_PORT & 0xFFFFFFEFu) | 0x00000010u); /* set ru up */
    WISETICK_STORE(WT_OSC_PORT, (WT_OSC_PORT & 0xFFFFFFFEu) | 0x00000001u); /* start ru */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFFFE0u) | 0x00000003u); /* f_ref ÷ 4 */
    WISETICK_STORE(WT_LOOP_FM, (WT_LOOP_FM & 0xFFFFFE00u) | 0x00000041u); /* f × 66 */
    WISETICK_STORE(WT_LOOP_FF, (WT_LOOP_FF & 0xFFFFF800u)); /* f × 66 */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFF7FFu)); /* f × 66 */
    WISETICK_STORE(WT_LOOP_FD, (WT_LOOP_FD & 0xFFFFFFF8u)); /* f_p ÷ 2 */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFF88Fu) | 0x00000010u); /* bus_e ÷ 2, bus_o ÷ 1 */
    WISETICK_UNTIL((WT_OSC_PORT & 0x00000002u) == 0x00000002u, 98u, 13); /* wait for ru, at most 7 µs */
    WISETICK_STORE(WT_PORT_B, (WT_PORT_B & 0xFFFFFF3Fu)); /* u48 from ru */
    WISETICK_UNTIL((WT_OSC_MAIN & 0x00000100u) == 0x00000100u, 50400u, 15); /* wait for xh, at most 3.6 ms */
    WISETICK_STORE(WT_LOOP_SOURCE, (WT_LOOP_SOURCE & 0xFFFFFFFCu) | 0x00000002u); /* loop_src from xh */
    WISETICK_STORE(WT_LOOP_FR, (WT_LOOP_FR & 0xFFFFFCFFu) | 0x00000200u); /* input range of f: 2 */
    WISETICK_STORE(WT_OSC_LOOPS, (WT_OSC_LOOPS & 0xFFFFFFFEu) | 0x00000001u); /* start f and wait until it is locked */
    WISETICK_UNTIL((WT_OSC_LOOPS & 0x00000002u) == 0x00000002u, 2660u, 19); /* start f and wait until it is locked, at most 190 µs */
    WISETICK_STORE(WT_LOOP_ON, (WT_LOOP_ON & 0xFFFFFFFEu) | 0x00000001u); /* let in f_p */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFFFF0u) | 0x00000003u); /* core ÷ 2 on the way */
    WISETICK_STORE(WT_MEM_WAIT, (WT_MEM_WAIT & 0xFFFFFFF0u) | 0x00000002u); /* wait states of core: 2 */
    WISETICK_STORE(WT_CLK_CORE, (WT_CLK_CORE & 0xFFFFFFFCu) | 0x00000002u); /* core from f_p */
    WISETICK_UNTIL((WT_CLK_CORE & 0x0000000Cu) == 0x00000008u, 4294967295u, 24); /* core from f_p, how long it takes at most is unknown */
    WISETICK_WAIT_NS(1500u, 66000000u); /* core from f_p */
    WISETICK_STORE(WT_MEM_WAIT, (WT_MEM_WAIT & 0xFFFFFFF0u) | 0x00000004u); /* wait states of core: 4 */
    WISETICK_STORE(WT_CLK_DIV, (WT_CLK_DIV & 0xFFFFFFF0u)); /* core ÷ 1 */
    WISETICK_STORE(WT_OSC_QUICK, (WT_OSC_QUICK & 0xFFFFFEFFu)); /* stop rq */
    /* let the tick go on: it was stopped */
    /* rest again when the handler returns: the plan rests in deep */
    return 0;
}

/* everything that brings the take up, in order */
int lagoon_buoy_fast_all(void)
{
    int failed = 0;

    if (failed == 0) {
        failed = lagoon_buoy_fast_clocks();
    }
    if (failed == 0) {
        failed = lagoon_buoy_fast_modem();
    }
    if (failed == 0) {
        failed = lagoon_buoy_fast_lamp();
    }
    if (failed == 0) {
        failed = lagoon_buoy_fast_late_clocks();
    }
    if (failed == 0) {
        failed = lagoon_buoy_fast_day();
    }
    return failed;
}
