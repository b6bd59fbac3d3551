/* Runs the packed firmware on the host with a sense that changes at given times; prints each change of a press pin and each call. */
#include "gentle_thumb.h"

#include <stdio.h>
#include <stdlib.h>

static uint32_t now_ms = 0;
static int sense_level = 0;
static int levels[64];

void gt_write_pin(int pin, int level)
{
    if (levels[pin] != level) {
        printf("%lu %d %d\n", (unsigned long)now_ms, pin, level);
        levels[pin] = level;
    }
}

int gt_read_pin(int pin)
{
    (void)pin;
    return sense_level;
}

uint32_t gt_milliseconds(void)
{
    return now_ms;
}

/* usage: moves MILLISECONDS START_AT FIRST_LEVEL CHANGE_AT... */
int main(int argc, char **argv)
{
    uint32_t end, start_at;
    int next = 4;
    unsigned calls = 0;
    if (argc < 4) {
        return 2;
    }
    end = (uint32_t)strtoul(argv[1], NULL, 10);
    start_at = (uint32_t)strtoul(argv[2], NULL, 10);
    sense_level = (int)strtol(argv[3], NULL, 10);
    gt_setup();
    for (now_ms = 0; now_ms < end; now_ms++) {
        if (next < argc && now_ms == (uint32_t)strtoul(argv[next], NULL, 10)) {
            sense_level = !sense_level;
            next++;
        }
        if (now_ms == start_at) {
            gt_start();
        }
        gt_tick();
        if (gt_calls() != calls) {
            calls = gt_calls();
            printf("%lu call %u\n", (unsigned long)now_ms, calls);
        }
    }
    return 0;
}
