"""Loads, jars and dryers as they stand, as they follow from the journal."""

from __future__ import annotations

from yellow_larder.features.drying.events import JarRecord, LoadRecord, MachineAdded
from yellow_larder.journal.kinds import said_kind

MACHINE = said_kind("machine", MachineAdded)
LOAD = said_kind("load", LoadRecord)
JAR = said_kind("jar", JarRecord)
