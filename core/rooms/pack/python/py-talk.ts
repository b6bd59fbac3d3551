/** Network and messages: a small client of MQTT 3.1.1, which the moves never wait for. */
export const PY_TALK = `
me.client = None
told = [None] * (len(SENSES) + 1)
outbox = []
MOST_WAITING = 32


def tell(topic, text, keep=False):
    """Sends a message; while nobody is there the newest ones are kept, and those that stand for a state come anew by themselves."""
    if len(outbox) >= MOST_WAITING:
        outbox.pop(0)
    outbox.append((BASE + "/" + topic, text, keep))
    flag_talk.set()


flag_talk = asyncio.ThreadSafeFlag()


def tell_changes():
    for i in range(1, len(heard)):
        if told[i] != heard[i]:
            told[i] = heard[i]
            tell("sense/" + TOPICS[i - 1], ("off", "on", "unknown")[heard[i]], True)


def packet(kind, *parts):
    body = b"".join(parts)
    size = len(body)
    head = bytearray([kind])
    while True:
        digit = size & 127
        size >>= 7
        head.append(digit | 128 if size else digit)
        if not size:
            return bytes(head) + body


def counted(text):
    raw = text if isinstance(text, bytes) else text.encode()
    return bytes([len(raw) >> 8, len(raw) & 255]) + raw


async def receive(stream):
    kind = (await stream.readexactly(1))[0]
    size = 0
    shift = 0
    while True:
        digit = (await stream.readexactly(1))[0]
        size |= (digit & 127) << shift
        shift += 7
        if not digit & 128:
            break
        if shift > 21:
            raise OSError("a length of more than four bytes")
    if size > MOST_BYTES:
        # Too long for anything that is meant for this program: it is read past.
        while size > 0:
            size -= len(await stream.readexactly(min(size, 256)))
        return kind, b""
    return kind, await stream.readexactly(size) if size else b""


def heard_message(body, kept):
    if len(body) < 2:
        return
    size = body[0] << 8 | body[1]
    topic = body[2 : 2 + size]
    text = body[2 + size :]
    try:
        topic = topic.decode()
        text = text.decode()
    except UnicodeError:
        return
    for number in range(len(COMMANDS_AT)):
        # What the broker kept is an old command: it would begin a move at each new connection.
        if COMMANDS_AT[number] == topic and not kept:
            look_at_clock()
            command(number)
            flag.set()
    for i in range(1, len(SENSES) + 1):
        if SENSES[i - 1][HOW] == BY_MESSAGE and MESSAGES[i - 1] == topic:
            news(i, said(i, text))


async def send_all(stream):
    while True:
        while outbox:
            first = outbox[0]
            topic, text, keep = first
            stream.write(packet(0x31 if keep else 0x30, counted(topic), text.encode()))
            await stream.drain()
            # One that did not fit any more may have gone meanwhile.
            if outbox and outbox[0] is first:
                outbox.pop(0)
        try:
            await asyncio.wait_for_ms(flag_talk.wait(), 20000)
        except asyncio.TimeoutError:
            stream.write(b"\\xc0\\x00")
            await stream.drain()


async def serve_broker():
    reader, stream = await asyncio.open_connection(settings.BROKER, settings.PORT)
    sender = None
    try:
        user = getattr(settings, "USER", "")
        secret = getattr(settings, "SECRET", "")
        flags = 0x26 | (0x80 if user else 0) | (0x40 if user and secret else 0)
        # Two that give the same name put each other out: each board has a number of its own.
        name = BASE + "-" + "".join("%02x" % b for b in machine.unique_id())
        hello = [counted("MQTT"), bytes([4, flags, 0, 60]), counted(name), counted(BASE + "/online"), counted("no")]
        if user:
            hello.append(counted(user))
            if secret:
                hello.append(counted(secret))
        stream.write(packet(0x10, *hello))
        await stream.drain()
        kind, body = await asyncio.wait_for_ms(receive(reader), 10000)
        if kind != 0x20 or len(body) < 2 or body[1] != 0:
            raise OSError("the broker does not let it in")
        wanted = sorted(set([t for t in COMMANDS_AT if t] + [t for t in MESSAGES if t]))
        for n in range(len(wanted)):
            stream.write(packet(0x82, bytes([0, n + 1]), counted(wanted[n]), b"\\x00"))
        stream.write(packet(0x31, counted(BASE + "/online"), b"yes"))
        await stream.drain()
        for i in range(len(told)):
            told[i] = None
        flag.set()
        sender = asyncio.create_task(send_all(stream))
        me.client = stream
        while True:
            kind, body = await asyncio.wait_for_ms(receive(reader), 60000)
            if kind & 0xF0 == 0x30:
                heard_message(body, kind & 1)
    finally:
        me.client = None
        if sender:
            sender.cancel()
        stream.close()


def set_clock():
    """From a time server of the network; a clock that was set before goes on by itself."""
    import ntptime

    ntptime.settime()
    look_at_clock()
    read_clock()
    flag.set()


async def quiet():
    """Nothing that may hold up everything else begins while something is pressed."""
    while me.busy or me.by_hand:
        await asyncio.sleep_ms(200)


async def talk():
    if not getattr(settings, "NETWORK", ""):
        return
    import network

    radio = network.WLAN(network.STA_IF)
    radio.active(True)
    wait = 1
    clock_at = -DAY_MS
    while True:
        await quiet()
        try:
            if not radio.isconnected():
                radio.connect(settings.NETWORK, settings.PASSWORD)
                for _ in range(20):
                    if not radio.isconnected():
                        await asyncio.sleep_ms(1000)
            if radio.isconnected():
                await quiet()
                if me.now - clock_at >= DAY_MS:
                    set_clock()
                    clock_at = me.now
                if getattr(settings, "BROKER", ""):
                    await serve_broker()
                wait = 1
        except (OSError, EOFError, asyncio.TimeoutError) as trouble:
            print("network:", trouble)
        await asyncio.sleep_ms(wait * 1000)
        wait = min(wait * 2, 300)
`;
