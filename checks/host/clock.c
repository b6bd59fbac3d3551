/* Runs the packed firmware on the host with a clock of its own and prints each change of the press pin. */
#include "gentle_thumb.h"

#include <stdio.h>
#include <stdlib.h>

static uint32_t now_ms = 0;
static uint32_t offset_ms = 0;
static int press_pin_level = -1;
static int armed_level = 0;

void gt_write_pin(int pin, int level)
{
    if (level != press_pin_level) {
        printf("%lu %d %d\n", (unsigned long)now_ms, pin, level);
        press_pin_level = level;
    }
}

int gt_read_pin(int pin)
{
    (void)pin;
    return armed_level;
}

uint32_t gt_milliseconds(void)
{
    return now_ms + offset_ms;
}

/* usage: clock WEEKDAY SECOND MILLISECONDS START_AT|-1 ARM_LEVEL CLOCK_OFFSET TICK STALL_AT|-1 STALL_MS START_AFTER_STALL
   A stall is a stretch of time in which nothing calls the firmware; the first call after it may be a start. */
int main(int argc, char **argv)
{
    uint32_t end, tick;
    long start_at, stall_at;
    uint32_t stall_ms;
    if (argc != 11) {
        return 2;
    }
    end = (uint32_t)strtoul(argv[3], NULL, 10);
    start_at = strtol(argv[4], NULL, 10);
    armed_level = (int)strtol(argv[5], NULL, 10);
    offset_ms = (uint32_t)strtoul(argv[6], NULL, 10);
    tick = (uint32_t)strtoul(argv[7], NULL, 10);
    stall_at = strtol(argv[8], NULL, 10);
    stall_ms = (uint32_t)strtoul(argv[9], NULL, 10);
    gt_setup();
    gt_set_clock((int)strtol(argv[1], NULL, 10), (uint32_t)strtoul(argv[2], NULL, 10));
    for (now_ms = 0; now_ms < end; now_ms += tick) {
        if (start_at >= 0 && now_ms == (uint32_t)start_at) {
            gt_start();
        }
        gt_tick();
        if (stall_at >= 0 && now_ms == (uint32_t)stall_at) {
            now_ms += stall_ms;
            if (argv[10][0] == '1') {
                gt_start();
            }
        }
    }
    fprintf(stderr, "%u\n", gt_late());
    return 0;
}
