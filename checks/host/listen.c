/* Lets the packed program listen to one sense whose instants of change are given in milliseconds, and prints what it does. */
#include <stdio.h>
#include <stdlib.h>
#include "gentle_thumb.h"

static uint32_t now;
static int says;

void gt_write_pin(int pin, int level) { printf("%u write %d %d\n", (unsigned)now, pin, level); }
int gt_read_pin(int pin) { (void)pin; return says > 0; }
uint32_t gt_milliseconds(void) { return now; }
int gt_read_sense(int sense);
int gt_read_sense(int sense) { (void)sense; return says; }
double gt_read_number(int sense);
double gt_read_number(int sense) { double nothing = 0.0; (void)sense; return says < 0 ? nothing / nothing : 1000.0 * says; }
void gt_changed(int sense, int is) { printf("%u changed %d %d\n", (unsigned)now, sense, is); }

/* Arguments: for how long, then pairs of an instant and what the sense says from then on. */
int main(int argc, char **argv)
{
    uint32_t end = (uint32_t)strtoul(argv[1], NULL, 10);
    int next = 2;
    gt_setup();
    for (now = 0; now < end; now++) {
        while (next + 1 < argc && now >= (uint32_t)strtoul(argv[next], NULL, 10)) {
            says = atoi(argv[next + 1]);
            next += 2;
        }
        gt_tick();
    }
    return 0;
}
