/**
 * Tasks that wait in virtual time, and the broker's end of a connection: the module `asyncio` of a rehearsal. A task that waits tells until
 * when, and what may wake it before; where none can go on, the bench is asked to go on to the next instant at which one can.
 */
export const TASKS = `
import hook
import machine

NEVER = 1 << 60


class TimeoutError(Exception):
    pass


class CancelledError(BaseException):
    pass


class Task:
    def __init__(self, coro):
        self.coro = coro
        self.due = 0
        self.flag = None
        self.error = None
        self.over = False
        self.ended = Event()

    def cancel(self):
        if not self.over:
            self.error = CancelledError()
            self.due = 0

    def done(self):
        return self.over

    def __iter__(self):
        while not self.over:
            yield (NEVER, self.ended)


class Event:
    def __init__(self):
        self.state = False

    def is_set(self):
        return self.state

    def set(self):
        self.state = True

    def clear(self):
        self.state = False

    def wait(self):
        while not self.state:
            yield (NEVER, self)


class ThreadSafeFlag(Event):
    def wait(self):
        while not self.state:
            yield (NEVER, self)
        self.state = False


class Lock:
    def __init__(self):
        self.free = Event()
        self.free.set()

    def acquire(self):
        while not self.free.state:
            yield (NEVER, self.free)
        self.free.clear()

    def release(self):
        self.free.set()

    async def __aenter__(self):
        await self.acquire()

    async def __aexit__(self, *_):
        self.release()


_tasks = []


def create_task(coro):
    task = Task(coro)
    _tasks.append(task)
    return task


def current_task():
    return _tasks[0]


def sleep_ms(ms):
    yield (hook.now() + max(0, int(ms)), None)


def sleep(seconds):
    return sleep_ms(seconds * 1000)


def wait_for_ms(waited, ms):
    end = hook.now() + max(0, int(ms))
    coro = waited if hasattr(waited, "send") else iter(waited)
    while True:
        try:
            due, flag = next(coro)
        except StopIteration as over:
            return over.value
        while not (hook.now() >= due or (flag and flag.state)):
            if hook.now() >= end:
                coro.close()
                raise TimeoutError
            yield (min(due, end), flag)


def wait_for(waited, seconds):
    return wait_for_ms(waited, seconds * 1000)


def gather(*coros, return_exceptions=False):
    tasks = [create_task(c) for c in coros]
    for task in tasks:
        yield from task
    return [None] * len(tasks)


def _step(task):
    try:
        if task.error:
            error, task.error = task.error, None
            task.due, task.flag = task.coro.throw(error)
        else:
            task.due, task.flag = next(task.coro)
    except (StopIteration, CancelledError):
        task.over = True
        task.ended.set()
        _tasks.remove(task)


def run(coro):
    main = create_task(coro)
    while not main.over:
        now = hook.now()
        ran = False
        # What was begun last goes first: what comes by message is there before the moves go on.
        for task in reversed(list(_tasks)):
            if task.over:
                continue
            if task.error or now >= task.due or (task.flag and task.flag.state):
                _step(task)
                ran = True
        if not ran:
            due = NEVER
            for task in _tasks:
                due = min(due, task.due)
            if hook.until(due if due < NEVER else -1) < 0:
                raise RuntimeError("the watchdog was not fed")
            machine.run_edges()
            take_messages()


class _Loop:
    def create_task(self, coro):
        return create_task(coro)

    def run_until_complete(self, coro):
        return run(coro)

    def run_forever(self):
        async def for_ever():
            while True:
                await sleep_ms(3600000)

        return run(for_ever())


def get_event_loop():
    return _Loop()


def new_event_loop():
    return _Loop()


class Stream:
    """The broker's end of a connection: lets everybody in, and hands on what is sent."""

    def __init__(self):
        self.bytes = b""
        self.sent = b""
        self.flag = Event()
        self.closed = False
        self.wants = set()

    def readexactly(self, n):
        while len(self.bytes) < n:
            if self.closed or not hook.network():
                raise OSError(104)
            self.flag.clear()
            yield (NEVER, self.flag)
        out, self.bytes = self.bytes[:n], self.bytes[n:]
        return out

    def read(self, n=-1):
        while not self.bytes:
            if self.closed or not hook.network():
                raise OSError(104)
            self.flag.clear()
            yield (NEVER, self.flag)
        n = len(self.bytes) if n < 0 else n
        out, self.bytes = self.bytes[:n], self.bytes[n:]
        return out

    def write(self, data):
        self.sent += data

    def drain(self):
        if self.closed or not hook.network():
            raise OSError(104)
        while self._packet():
            pass
        yield (hook.now(), None)

    def close(self):
        self.closed = True
        if self in _streams:
            _streams.remove(self)

    def wait_closed(self):
        yield (hook.now(), None)

    def _packet(self):
        raw = self.sent
        size, shift, at = 0, 0, 1
        while True:
            if at >= len(raw):
                return False
            size |= (raw[at] & 127) << shift
            shift += 7
            at += 1
            if not raw[at - 1] & 128:
                break
        if len(raw) < at + size:
            return False
        kind, body, self.sent = raw[0], raw[at : at + size], raw[at + size :]
        if kind == 0x10:
            self._give(b"\\x20\\x02\\x00\\x00")
        elif kind == 0x82:
            n = body[2] << 8 | body[3]
            self.wants.add(body[4 : 4 + n].decode())
            self._give(b"\\x90\\x03" + body[0:2] + b"\\x00")
        elif kind == 0xC0:
            self._give(b"\\xd0\\x00")
        elif kind & 0xF0 == 0x30:
            n = body[0] << 8 | body[1]
            after = 2 + n + (2 if kind & 6 else 0)
            hook.told(body[2 : 2 + n].decode(), body[after:].decode(), kind & 1)
        return True

    def _give(self, data):
        self.bytes += data
        self.flag.set()


_streams = []


def open_connection(host, port):
    if not hook.network():
        raise OSError(113)
    yield (hook.now(), None)
    stream = Stream()
    _streams.append(stream)
    return stream, stream


def take_messages():
    if not hook.network():
        for stream in list(_streams):
            stream.flag.set()
        return
    while True:
        message = hook.message()
        if message is None:
            return
        topic, text = message[1:].split("\\n", 1)
        for stream in _streams:
            if topic in stream.wants:
                head, body = topic.encode(), text.encode()
                body = bytes([len(head) >> 8, len(head) & 255]) + head + body
                size, digits = len(body), []
                while True:
                    digit = size & 127
                    size >>= 7
                    digits.append(digit | 128 if size else digit)
                    if not size:
                        break
                stream._give((b"\\x31" if message[0] == "1" else b"\\x30") + bytes(digits) + body)
`;
