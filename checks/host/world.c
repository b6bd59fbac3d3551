/* Runs the packed firmware on the host with input pins that change at given times; prints each change of an output and each call. */
#include "gentle_thumb.h"

#include <stdio.h>
#include <stdlib.h>

static uint32_t now_ms = 0;
static int inputs[64];
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
    return inputs[pin];
}

/* What the maker fills in where a sense is no contact: here it is an input of its own, from 40 on. */
int gt_read_sense(int sense);
int gt_read_sense(int sense)
{
    return inputs[40 + sense];
}

/* What a meter shows, where the program itself knows its threshold: the same input as a number, and nothing under zero. */
double gt_read_number(int sense);
double gt_read_number(int sense)
{
    double nothing = 0.0;
    return inputs[40 + sense] < 0 ? nothing / nothing : (double)inputs[40 + sense];
}

uint32_t gt_milliseconds(void)
{
    return now_ms;
}

/* usage: world MILLISECONDS SECOND_OF_DAY (MS PIN LEVEL)...; a pin of -1 starts the move LEVEL, one of -2 brings the command LEVEL, what comes at 0 stands before setup */
int main(int argc, char **argv)
{
    uint32_t end;
    int next = 3;
    int pin;
    unsigned calls = 0;
    if (argc < 3) {
        return 2;
    }
    for (pin = 0; pin < 64; pin++) {
        levels[pin] = -1;
        inputs[pin] = 1;
    }
    end = (uint32_t)strtoul(argv[1], NULL, 10);
    for (now_ms = 0; now_ms < end; now_ms++) {
        while (next + 2 < argc && now_ms == (uint32_t)strtoul(argv[next], NULL, 10)) {
            pin = (int)strtol(argv[next + 1], NULL, 10);
            if (pin >= 0) {
                inputs[pin] = (int)strtol(argv[next + 2], NULL, 10);
            } else if (pin == -2) {
                (void)gt_command((int)strtol(argv[next + 2], NULL, 10));
            } else {
                gt_start_move((int)strtol(argv[next + 2], NULL, 10));
            }
            next += 3;
        }
        if (now_ms == 0) {
            gt_setup();
            gt_set_clock(1, (uint32_t)strtoul(argv[2], NULL, 10));
        }
        gt_tick();
        if (gt_calls() != calls) {
            calls = gt_calls();
            printf("%lu call %u\n", (unsigned long)now_ms, calls);
        }
    }
    return 0;
}
