/** Where senses come from: pins, messages, a thermometer on one wire, or a function of the maker’s own. */
export const PY_SENSES = `
inputs = {}
values = [None] * (len(SENSES) + 1)  # what came by message or was read; None while nobody knows
news_at = [0] * (len(SENSES) + 1)
is_over = [UNHEARD] * (len(SENSES) + 1)
flag = asyncio.ThreadSafeFlag()


def news(i, value):
    look_at_clock()
    if value != value:
        # Not a number: a reading that failed, and no news of what it reads.
        value = None
    same = values[i] == value
    values[i] = value
    news_at[i] = me.now
    if not same:
        flag.set()


def read_sense(i):
    """1 or 0, or UNHEARD where what it comes from is silent: then it says neither."""
    pin, level, _, _, how, over, under, so_over, stale = SENSES[i - 1]
    if how == BY_PIN:
        return 1 if inputs[pin].value() == level else 0
    value = values[i]
    if value is None or me.now - news_at[i] >= stale:
        # Silence is no news: what was before may have passed.
        is_over[i] = UNHEARD
        return UNHEARD
    if over is None:
        return 1 if value else 0
    if value > over:
        is_over[i] = 1
    elif value < under:
        is_over[i] = 0
    if is_over[i] == UNHEARD:
        return UNHEARD
    return 1 if is_over[i] == so_over else 0


def sense_rests(i):
    return news_at[i] + SENSES[i - 1][STALE] - me.now if values[i] is not None else EVER


def said(i, text):
    """What a message says: a number, or yes and no in the usual words where its sense is no number."""
    word = text.strip().lower()
    if SENSES[i - 1][OVER] is None:
        if word in YES:
            return 1
        if word in NO:
            return 0
    try:
        return float(word)
    except ValueError:
        return None


async def read_thermometers():
    """Thermometers on one wire: the first one on each pin, every two seconds."""
    if not any(s[HOW] == BY_ONE_WIRE for s in SENSES):
        return
    import ds18x20
    import onewire

    buses = {}
    for i in range(1, len(SENSES) + 1):
        if SENSES[i - 1][HOW] == BY_ONE_WIRE:
            buses[i] = ds18x20.DS18X20(onewire.OneWire(machine.Pin(SENSES[i - 1][0])))
    while True:
        for i, bus in buses.items():
            try:
                bus.convert_temp()
                await asyncio.sleep_ms(750)
                news(i, bus.read_temp(bus.scan()[0]))
            except Exception as trouble:
                # One that does not answer is unknown, and never what it said last.
                print(NAMES[i - 1], "does not answer:", trouble)
                news(i, None)
        await asyncio.sleep_ms(1250)


async def read_own():
    """What settings.py reads by functions of its own."""
    own = [i for i in range(1, len(SENSES) + 1) if SENSES[i - 1][HOW] == BY_SETTINGS]
    while own and hasattr(settings, "read_sense"):
        for i in own:
            news(i, settings.read_sense(i))
        await asyncio.sleep_ms(1000)
`;
