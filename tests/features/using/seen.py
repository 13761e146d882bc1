"""What a test of using food up looks at."""

from sqlalchemy import select

from yellow_larder.core.containers import Closing
from yellow_larder.core.keeping import Estimate
from yellow_larder.core.packing import absorber_ml
from yellow_larder.features.household.larder import Larder, places_in
from yellow_larder.features.packages.state import Package, row_of
from yellow_larder.features.packing.request import Ask
from yellow_larder.features.shelves.ageing import lives_left
from yellow_larder.journal.database import reading
from yellow_larder.journal.kinds import Row

RICE = Ask(line="700 g white rice", container="jar-quart", closing=Closing.ABSORBER)


def row(larder: Larder, number: int) -> Row:
    with reading(larder.engine) as session:
        return row_of(session.get_one(Package, number))


def absorbs_ml(larder: Larder) -> int:
    """What the absorbers in the first package are rated at, mL."""
    return sum((absorber_ml(code) or 0) * n for code, n in row(larder, 1)["packets"].items())


def life(larder: Larder, number: int, estimate: Estimate = Estimate.CUSTOMARY) -> tuple[float, float]:
    """Days and share of life left."""
    with reading(larder.engine) as session:
        days, share, _ = lives_left([row(larder, number)], places_in(session), estimate, larder.today())
    return float(days[0]), float(share[0])


def on_hand_g(larder: Larder) -> float:
    with reading(larder.engine) as session:
        return sum(session.scalars(select(Package.mass_g).where(Package.gone_on.is_(None))).all())
