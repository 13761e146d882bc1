import pytest

from tests.support.scripts import Script
from yellow_larder.devices.label_printer import Job, LabelPrinter, Printing, heading
from yellow_larder.devices.simulated import SimulatedLabelPrinter, Trouble


def test_a_roll_runs_out() -> None:
    wire = SimulatedLabelPrinter(roll=5)
    printer = LabelPrinter(wire)
    assert printer.send(b"%PDF one", 3) == Job(Printing.PRINTED, 2)
    assert wire.last == b"%PDF one"
    assert printer.send(b"%PDF two", 3) == Job(Printing.EMPTY, 1)
    assert printer.send(b"%PDF three", 3) == Job(Printing.EMPTY, 3)
    assert wire.last == b"%PDF two"
    wire.new_roll()
    assert printer.send(b"%PDF three", 3) == Job(Printing.PRINTED, 2)


@pytest.mark.parametrize("trouble", [Trouble.SILENT, Trouble.NONSENSE])
def test_a_printer_that_does_not_answer(trouble: Trouble) -> None:
    wire = SimulatedLabelPrinter()
    wire.trouble = trouble
    assert LabelPrinter(wire).send(b"%PDF", 2) == Job(Printing.SILENT, 0)
    assert wire.last == b""
    wire.trouble = Trouble.NONE
    assert LabelPrinter(wire).send(b"%PDF", 2).state is Printing.PRINTED


@pytest.mark.parametrize("answer", [b"", b"OK", b"OK many\r\n", b"EMPTY\r\n", b"\xff\xfe"])
def test_no_answer_is_taken_for_printed(answer: bytes) -> None:
    wire = Script(answer)
    assert LabelPrinter(wire).send(b"%PDF", 2).state is Printing.SILENT
    assert wire.told == [heading(2, 4), b"%PDF"]
