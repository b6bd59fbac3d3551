/** Setting up, and the two loops: the moves, and what is read and talked beside them. */
export const PY_MAIN = `
FEED_MS = 4000


def woken(_):
    flag.set()


def setup():
    """Before anything else: what is held closed is closed, every other contact is opened."""
    for pin, level in HELD:
        outputs[pin] = machine.Pin(pin, machine.Pin.OUT, value=level)
    for pin, level in CONTACTS:
        if pin in SERVOS:
            outputs[pin] = machine.PWM(machine.Pin(pin), freq=50, duty_ns=SERVOS[pin][0])
        else:
            outputs[pin] = machine.Pin(pin, machine.Pin.OUT, value=0 if level else 1)
    for _, _, _, _, pin, level in ORDERS:
        if pin >= 0:
            outputs[pin] = machine.Pin(pin, machine.Pin.OUT, value=1 - level)
    for pin, _, _ in SIGNS:
        outputs[pin] = machine.Pin(pin, machine.Pin.OUT, value=0)
    edges = machine.Pin.IRQ_RISING | machine.Pin.IRQ_FALLING
    for pin in [h[PIN] for h in HANDS if h[DOES] != COMMANDS] + [s[0] for s in SENSES if s[HOW] == BY_PIN]:
        inputs[pin] = machine.Pin(pin, machine.Pin.IN, machine.Pin.PULL_UP if pin in PULLED else None)
        inputs[pin].irq(woken, edges)
    look_at_clock()
    for i in range(len(ORDERS)):
        # Nobody knows what turned when the power went.
        resting[i] = [True, True]
        let_go_at[i] = [me.now, me.now]
    contacts(0)
    for i in range(1, len(heard)):
        heard[i] = read_sense(i)
    read_hands()
    begin_rules()
    read_clock()


async def pause(ms, dog):
    """Rests until something happens; the watchdog resets a controller that hangs, which opens every contact."""
    while ms > 0:
        dog.feed()
        part = min(ms, FEED_MS)
        try:
            await asyncio.wait_for_ms(flag.wait(), part)
            return
        except asyncio.TimeoutError:
            ms -= part


async def follow():
    dog = machine.WDT(timeout=2 * FEED_MS)
    while True:
        tick()
        rest = rests()
        me.planned = me.now + rest
        await pause(rest, dog)


async def main():
    setup()
    print(CHARGE)
    asyncio.create_task(talk())
    asyncio.create_task(read_thermometers())
    asyncio.create_task(read_own())
    await follow()


asyncio.run(main())
`;
