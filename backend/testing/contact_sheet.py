"""Every picture on pages to be looked at: each activity easiest, in the middle and hardest, in a house with all things.

python -m testing.contact_sheet FOLDER
"""

import sys
from html import escape
from itertools import groupby
from pathlib import Path

from core.child import Child, Setting
from core.drawing import draw
from core.library import ACTIVITIES, THINGS, Activity
from core.offers import UsableCupboard, Variant, grade_words, stock_of, told, variants_of

CHILD = Child(age_months=60, hand="right")


def everything() -> UsableCupboard:
    """A house with plenty of everything that may be handled."""
    stock = stock_of({t.id: 60 for t in THINGS.values() if "kept_away" not in t.forms})
    return UsableCupboard(stock, CHILD, Setting("home", "arms_reach"))


def chosen(activity: Activity) -> list[Variant]:
    """The easiest grade, one in the middle and the hardest."""
    variants = variants_of(activity)
    return list(dict.fromkeys((variants[0], variants[len(variants) // 2], variants[-1])))


def write(folder: Path) -> int:
    """Write a page for each group of activities and return how many pictures there are."""
    folder.mkdir(parents=True, exist_ok=True)
    cupboard, drawn = everything(), 0
    by_group = sorted(ACTIVITIES.values(), key=lambda a: a.group)
    for group, activities in groupby(by_group, key=lambda a: a.group):
        parts = [f"<!doctype html><meta charset=utf-8><title>{escape(group)}</title><h1>{escape(group)}</h1>"]
        for activity in activities:
            for variant in chosen(activity):
                words = " · ".join(grade_words(variant, CHILD))
                steps = "".join(f"<li>{escape(step)}" for step in told(variant, CHILD).steps)
                parts.append(
                    f"<h3>{escape(activity.name)}: {escape(words)}</h3>{draw(variant, cupboard.offer(variant), CHILD)}"
                    f"<p>{escape(' '.join(told(variant, CHILD).grade))}</p><ol>{steps}</ol>"
                )
                drawn += 1
        (folder / f"{group.replace(' ', '_')}.html").write_text("\n".join(parts))
    return drawn


if __name__ == "__main__":
    print(f"{write(Path(sys.argv[1]))} pictures in {sys.argv[1]}")
