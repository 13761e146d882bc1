"""What goes in with a food, by code: an absorber by its rating, silica gel by its weight."""

from __future__ import annotations

_GEL = "gel-"


def gel_code(grams: float) -> str:
    """The code of a packet of silica gel.

    Args:
        grams: what one holds, g; above 0.

    Example:
        >>> gel_code(10.0), gel_code(2.5)
        ('gel-10', 'gel-2.5')
    """
    return f"{_GEL}{grams:g}"


def gel_g(code: str) -> float | None:
    """Silica gel in a packet of some code, g; none if it is an absorber.

    Example:
        >>> gel_g("gel-2.5"), gel_g("300")
        (2.5, None)
    """
    return float(code.removeprefix(_GEL)) if code.startswith(_GEL) else None


def absorber_ml(code: str) -> int | None:
    """Rating of an absorber of some code, mL; none if it is silica gel.

    Example:
        >>> absorber_ml("300"), absorber_ml("gel-10")
        (300, None)
    """
    return None if code.startswith(_GEL) else int(code)
