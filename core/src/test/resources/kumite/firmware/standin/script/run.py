"""Runs a board's script on this computer: its modules are stand-ins that lead to simulated wires."""
import ctypes
import importlib.util
import os
import sys
import types

folder, words = sys.argv[1], sys.argv[2:]
lib = ctypes.CDLL(os.path.join(folder, "libhost.so"))
lib.world_read.restype = ctypes.c_bool
lib.session_now.restype = ctypes.c_int64
lib.session_gone.restype = ctypes.c_bool
lib.session_send.restype = ctypes.c_bool
LOW, HIGH, RELEASED = range(3)


class Pin:
    def __init__(self, name):
        self.name = name


class BoardModule(types.ModuleType):
    def __getattr__(self, name):
        return Pin(name)


board = BoardModule("board")
digitalio = types.ModuleType("digitalio")
analogio = types.ModuleType("analogio")
usb_hid = types.ModuleType("usb_hid")
microcontroller = types.ModuleType("microcontroller")
microcontroller.nvm = bytearray(b"\xff" * 16)
supervisor = types.ModuleType("supervisor")


class Runtime:
    @property
    def usb_connected(self):
        return not lib.session_gone()


supervisor.runtime = Runtime()
time = types.ModuleType("time")
time.sleep = lambda seconds: None
time.monotonic_ns = lambda: lib.session_now() * 1000
program = None


def terminal(pin):
    return [name for name, use in program.TERMINALS].index(pin.name)


class DigitalInOut:
    def __init__(self, pin):
        self.terminal = terminal(pin)

    def switch_to_input(self, pull):
        lib.world_drive(self.terminal, RELEASED)

    def switch_to_output(self, value):
        lib.world_drive(self.terminal, HIGH if value else LOW)

    def deinit(self):
        pass

    @property
    def value(self):
        return lib.world_read(self.terminal)


class Pull:
    UP, DOWN = range(2)


class AnalogIn:
    def __init__(self, pin):
        self.terminal = terminal(pin)

    def deinit(self):
        pass

    @property
    def value(self):
        return lib.world_convert(self.terminal) * 65536 // (program.CODE_MOST + 1)


class Device:
    enabled = None

    def __init__(self, **parts):
        self.parts = parts

    def send_report(self, report, report_id=0):
        transfer = bytes(([report_id] if report_id else [])) + bytes(report)
        if not lib.session_send(report_id, transfer, len(transfer)):
            raise OSError("USB busy")


digitalio.DigitalInOut, digitalio.Pull = DigitalInOut, Pull
analogio.AnalogIn = AnalogIn
usb_hid.Device, usb_hid.devices = Device, [Device()]


def enable(devices):
    Device.enabled = devices


usb_hid.enable = enable
for module in (board, digitalio, analogio, usb_hid, microcontroller, supervisor, time):
    sys.modules[module.__name__] = module


def load(name):
    spec = importlib.util.spec_from_file_location(name, os.path.join(folder, name + ".py"))
    module = importlib.util.module_from_spec(spec)
    sys.modules[name] = module
    if name == "code":
        globals()["program"] = module
    spec.loader.exec_module(module)
    return module


load("code")
hardware = program.Board()
device = None


def power_up():
    global device
    load("boot")
    parts = Device.enabled[0].parts
    profile = program.taken(hardware)
    if parts["report_descriptor"] != program.DESCRIPTORS[profile]:
        sys.exit("boot.py and code.py take different profiles")
    device = program.Program(hardware, profile)


def begin(profile):
    global device
    device = program.Program(hardware, profile)


def standing():
    for r in range(len(device.reports)):
        hardware.send(device.reports[r][0], device.compose(r))


def look():
    global device
    us = lib.session_now()
    device.look(us)
    if hasattr(device, "chosen"):
        chosen = device.chosen(us)
        if chosen != program.NONE:
            device = program.Program(hardware, chosen, device)


was_gone = False


def poll():
    global was_gone
    if was_gone and hardware.host_there():
        device.forget()
    was_gone = not hardware.host_there()
    device.poll()


VOID = ctypes.CFUNCTYPE(None)


class Calls(ctypes.Structure):
    _fields_ = [
        ("power_up", VOID),
        ("begin", ctypes.CFUNCTYPE(None, ctypes.c_uint)),
        ("profile", ctypes.CFUNCTYPE(ctypes.c_uint)),
        ("look", VOID),
        ("poll", VOID),
        ("busy", ctypes.CFUNCTYPE(ctypes.c_bool)),
        ("standing", VOID),
    ]


def guarded(call):
    """An error in a call back would be passed over: here it ends the run."""

    def run(*args):
        try:
            return call(*args)
        except Exception:
            import traceback

            traceback.print_exc()
            os._exit(3)

    return run


calls = Calls(
    VOID(guarded(power_up)),
    ctypes.CFUNCTYPE(None, ctypes.c_uint)(guarded(begin)),
    ctypes.CFUNCTYPE(ctypes.c_uint)(guarded(lambda: device.profile)),
    VOID(guarded(look)),
    VOID(guarded(poll)),
    ctypes.CFUNCTYPE(ctypes.c_bool)(guarded(lambda: device.goes_on())),
    VOID(guarded(standing)),
)
lib.script_set(calls)


class Enough(Exception):
    pass


def endless():
    """The script's own loop, for half a second of its time: it looks, and tells what stands."""
    at = [0]
    sent = []

    def clock():
        at[0] += 137_000
        if at[0] > 500_000_000:
            raise Enough
        return at[0]

    time.monotonic_ns = clock
    Device.send_report = lambda self, report, report_id=0: sent.append(report)
    last = len(program.REPORTS) - 1
    microcontroller.nvm[0] = last  # what boot.py took; nobody holds what chooses it any more
    ran = []
    plain = program.Program.__init__

    def noted(self, hardware, profile):
        ran.append(profile)
        plain(self, hardware, profile)

    program.Program.__init__ = noted
    try:
        program.run()
    except Enough:
        pass
    if len(sent) < len(program.REPORTS[last]):
        sys.exit("the loop of the script told nothing")
    if ran[-1] != last:
        sys.exit("after a reload the script took another profile than boot.py told the host")


arguments = (ctypes.c_char_p * (len(words) + 1))(b"device-host", *[w.encode() for w in words])
code = lib.main(len(words) + 1, arguments)
if code == 0:
    endless()
sys.exit(code)
