"""Each folder of the core is one subject, and says what of it is for others."""

import ast
import importlib
import pkgutil
from pathlib import Path

import pytest

from yellow_larder import core

FOLDERS = [found.name for found in pkgutil.iter_modules(core.__path__) if found.ispkg]


def public(folder: str) -> set[str]:
    """Functions and classes of its modules that are not private."""
    found = set()
    for file in (Path(core.__path__[0]) / folder).glob("*.py"):
        for node in ast.parse(file.read_text(encoding="utf-8")).body:
            if isinstance(node, ast.FunctionDef | ast.ClassDef) and not node.name.startswith("_"):
                found.add(node.name)
    return found


@pytest.mark.parametrize("folder", FOLDERS)
def test_a_folder_names_all_that_is_public_in_it(folder: str) -> None:
    module = importlib.import_module(f"yellow_larder.core.{folder}")
    assert public(folder) <= set(module.__all__)
    assert len(set(module.__all__)) == len(module.__all__)
    assert all(hasattr(module, name) for name in module.__all__)


def test_no_two_folders_mean_different_things_by_one_name() -> None:
    owners: dict[str, list[str]] = {}
    for folder in FOLDERS:
        for name in public(folder):
            owners.setdefault(name, []).append(folder)
    assert {name: where for name, where in owners.items() if len(where) > 1} == {}
