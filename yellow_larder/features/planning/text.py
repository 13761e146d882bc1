"""Meals, the diary, the goal and money for the store, in words."""

from __future__ import annotations

TITLES = {
    "diary.taken": "Took from {count:package|packages} for {day:day}",
    "food.tried": "We have tried {name}",
    "goal.set": "The goal is {length}",
    "diary.written": "Wrote {day:day} in the diary",
    "diary.removed": "Removed {day:day} from the diary",
    "price.seen": "Saw {name} at {coins:money}, {shop}",
    "price.removed": "Deleted a price",
    "purse.set": "{coins:money} a week for the store",
    "meal.added": "Added the meal {name}",
    "meal.changed": "Changed the meal {name}",
    "meal.removed": "Removed the meal {name}",
    "meaning.food": "“{words}” is {name}",
    "meaning.elsewhere": "“{words}” is not stored",
    "lot.bought": "Bought {mass_g:mass} {name} for {coins:money}",
}
"""What changes are called, by code."""
