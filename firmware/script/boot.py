# @TITLE@: says what this board is before the host asks. Put it on the board as boot.py, beside
# code.py. The profile is chosen here, by what is held while the board is switched on.
import code as program

import microcontroller
import usb_hid

hardware = program.Board()
chosen = program.choose(hardware)
hardware.close()  # code.py takes the terminals anew
kept = microcontroller.nvm  # code.py reads there what was chosen; written only where it changes
if len(program.REPORTS) > 1 and kept is not None and kept[0] != chosen:
    kept[0:1] = bytes((chosen,))
descriptor = program.DESCRIPTORS[chosen]
reports = program.REPORTS[chosen]
usb_hid.enable(
    (
        usb_hid.Device(
            report_descriptor=descriptor,
            usage_page=descriptor[1],
            usage=descriptor[3],
            report_ids=tuple(report[0] for report in reports),
            in_report_lengths=tuple(
                report[1] - (1 if report[0] else 0) for report in reports
            ),
            out_report_lengths=tuple(0 for _ in reports),
        ),
    )
)
