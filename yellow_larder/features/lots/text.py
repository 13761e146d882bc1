"""What was done to a lot, in words."""

from __future__ import annotations

from yellow_larder.features.lots.events import (
    Conditioned,
    Dried,
    DriedAgain,
    FoundWet,
    FreezeDried,
    GroundUp,
    HistoryStep,
    MixedOf,
    TakenOut,
    Told,
)
from yellow_larder.features.packages.text import say_trouble
from yellow_larder.words.dates import say_day
from yellow_larder.words.durations import say_hours
from yellow_larder.words.quantities import Units, say_mass, say_temperature
from yellow_larder.words.titles import say_names


def say_step(step: HistoryStep, units: Units) -> str:
    """Something that was done to a lot, as a person reads it."""
    match step:
        case Dried():
            treated = "".join(f"{each.value}, " for each in step.treatments)
            return (
                f"{say_day(step.on)}: {treated}dried in {say_hours(step.hours)} at "
                f"{say_temperature(step.air_c, units)}, {say_mass(step.wet_g, units)} to "
                f"{say_mass(step.dry_g, units)}, {step.moisture_pct:.1f} % moisture"
            )
        case FreezeDried():
            state = "two weighings agreed" if step.agreed else "taken out before two weighings agreed"
            return (
                f"{say_day(step.on)}: freeze-dried in {say_hours(step.hours)}, {say_mass(step.wet_g, units)} to "
                f"{say_mass(step.dry_g, units)}, {state}"
            )
        case Conditioned():
            return f"{say_day(step.on)}: conditioned, {step.days} days free"
        case FoundWet():
            return f"{say_day(step.on)}: {step.look.value} in its jar, back to the dryer"
        case DriedAgain():
            return f"{say_day(step.on)}: dried again"
        case GroundUp():
            return f"{say_day(step.on)}: ground"
        case MixedOf():
            parts = [f"{say_mass(each.mass_g, units)} {each.name}" for each in step.parts]
            return f"{say_day(step.on)}: mixed of {say_names(parts, most=len(parts))}"
        case TakenOut():
            why = say_trouble(step.trouble) or "opened"
            return f"Out of number {step.package}, packed {say_day(step.packed_on)}: {why}"
        case Told():
            return step.text


TITLES = {
    "lot.cupboard": "In the cupboard: {mass_g:mass} of {name}",
    "lot.none": "In the cupboard: no {name}",
    "lot.mixed": "Mixed {mass_g:mass} {name}",
    "lot.ground": "Ground {mass_g:mass} {name} to powder",
}
"""What changes are called, by code."""
