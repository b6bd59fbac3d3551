import { TASKS } from './kit-tasks';

/**
 * Modules of MicroPython as a rehearsal has them, by file name: pins, time and tasks that stand on `hook`, which keeps virtual time. They
 * offer what programs for controllers use of the modules of the same names; what is not there is told by its name.
 */
export const KIT: Readonly<Record<string, string>> = {
  'time.py': `
import hook

_SPAN = 1 << 30


def ticks_ms():
    return hook.now() & (_SPAN - 1)


def ticks_us():
    return hook.now() * 1000 & (_SPAN - 1)


def ticks_add(ticks, delta):
    return ticks + delta & (_SPAN - 1)


def ticks_diff(a, b):
    return (a - b + (_SPAN >> 1) & (_SPAN - 1)) - (_SPAN >> 1)


def sleep_ms(ms):
    import machine

    end = hook.now() + max(0, int(ms))
    while True:
        at = hook.until(end)
        if at < 0:
            raise RuntimeError("the watchdog was not fed")
        machine.run_edges()
        if at >= end:
            return


def sleep(seconds):
    sleep_ms(seconds * 1000)


def sleep_us(us):
    sleep_ms(us // 1000)


def time():
    return hook.epoch() + hook.now() // 1000


def time_ns():
    return hook.epoch() * 1000000000 + hook.now() * 1000000


def gmtime(seconds=None):
    s = time() if seconds is None else int(seconds)
    days, rest = s // 86400, s % 86400
    z = days + 719468
    era = z // 146097
    doe = z - era * 146097
    yoe = (doe - doe // 1460 + doe // 36524 - doe // 146096) // 365
    doy = doe - (365 * yoe + yoe // 4 - yoe // 100)
    mp = (5 * doy + 2) // 153
    day = doy - (153 * mp + 2) // 5 + 1
    month = mp + 3 if mp < 10 else mp - 9
    year = yoe + era * 400 + (1 if month <= 2 else 0)
    first = days - (doy if month > 2 else 0)
    return (year, month, day, rest // 3600, rest % 3600 // 60, rest % 60, (days + 3) % 7, 1)


def localtime(seconds=None):
    return gmtime(seconds)
`,
  'machine.py': `
import hook


class Pin:
    IN, OUT, OPEN_DRAIN = 0, 1, 2
    PULL_UP, PULL_DOWN = 1, 2
    IRQ_RISING, IRQ_FALLING = 1, 2

    def __init__(self, id, mode=-1, pull=-1, value=None):
        self.id = id
        self.init(mode, pull, value)

    def init(self, mode=-1, pull=-1, value=None):
        if value is not None:
            hook.write(self.id, int(value))

    def value(self, level=None):
        if level is None:
            now = hook.read(self.id)
            if now < 0:
                raise RuntimeError("the program does not rest")
            return now
        hook.write(self.id, 1 if level else 0)

    def __call__(self, level=None):
        return self.value(level)

    def on(self):
        hook.write(self.id, 1)

    def off(self):
        hook.write(self.id, 0)

    def high(self):
        hook.write(self.id, 1)

    def low(self):
        hook.write(self.id, 0)

    def toggle(self):
        hook.write(self.id, 1 - hook.read(self.id))

    def irq(self, handler=None, trigger=3, **_):
        _handlers[self.id] = (handler, trigger, self)
        hook.watches(self.id)


class Signal(Pin):
    def __init__(self, pin, *rest, invert=False):
        self.pin = pin if isinstance(pin, Pin) else Pin(pin, *rest)
        self.invert = invert

    def value(self, level=None):
        if level is None:
            return self.pin.value() ^ (1 if self.invert else 0)
        self.pin.value((1 if level else 0) ^ (1 if self.invert else 0))

    def on(self):
        self.value(1)

    def off(self):
        self.value(0)


class PWM:
    def __init__(self, pin, freq=0, duty_ns=None, duty_u16=None, duty=None):
        self.id = pin.id if isinstance(pin, Pin) else pin
        self._freq = freq
        if duty_ns is not None:
            self.duty_ns(duty_ns)

    def freq(self, value=None):
        if value is None:
            return self._freq
        self._freq = value

    def duty_ns(self, value=None):
        hook.pulse(self.id, value)

    def duty_u16(self, value=None):
        hook.pulse(self.id, value * 1000000000 // (65535 * max(1, self._freq)))

    def deinit(self):
        hook.pulse(self.id, 0)


class WDT:
    def __init__(self, id=0, timeout=5000):
        hook.dog(timeout)

    def feed(self):
        hook.feed()


_handlers = {}


def run_edges():
    while True:
        edge = hook.edge()
        if edge < 0:
            return
        pin, level = edge >> 1, edge & 1
        handler, trigger, thing = _handlers.get(pin, (None, 0, None))
        if handler and trigger & (Pin.IRQ_RISING if level else Pin.IRQ_FALLING):
            handler(thing)


def idle():
    hook.until(hook.now() + 1)
    run_edges()


def lightsleep(ms=1000):
    hook.until(hook.now() + ms)
    run_edges()


def unique_id():
    return b"bench"


def freq(*_):
    return 160000000


def disable_irq():
    return 0


def enable_irq(_):
    pass


def reset_cause():
    return 0
`,
  'asyncio.py': TASKS,
  'network.py': `
import hook

STA_IF, AP_IF = 0, 1


class WLAN:
    def __init__(self, interface=STA_IF):
        pass

    def active(self, on=None):
        return True

    def connect(self, *_):
        pass

    def isconnected(self):
        return hook.network()

    def ifconfig(self, *_):
        return ("192.0.2.2", "255.255.255.0", "192.0.2.1", "192.0.2.1")

    def status(self, *_):
        return 3 if hook.network() else 0

    def config(self, *_, **__):
        return None


def hostname(*_):
    return "bench"
`,
  'ntptime.py': `
import hook

host = "192.0.2.1"


def settime():
    if not hook.network():
        raise OSError(110)
    hook.sets_clock()
`,
  'onewire.py': `
class OneWire:
    def __init__(self, pin):
        self.pin = pin
`,
  'ds18x20.py': `
import hook


class DS18X20:
    def __init__(self, wire):
        self.pin = wire.pin.id

    def scan(self):
        return [b"\\x28bench00"] if hook.degrees(self.pin) is not None else []

    def convert_temp(self):
        if hook.degrees(self.pin) is None:
            raise OSError(19)

    def read_temp(self, _):
        degrees = hook.degrees(self.pin)
        if degrees is None:
            raise OSError(19)
        return degrees
`,
};
