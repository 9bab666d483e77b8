"""The words that speak of a hazard, as people write them: stems, phrases and what each makes one ask.

Over 300 words and phrases in groups. Common practice in what is dangerous to a child, no source. A word here never
bars anything: it asks, and the answer does (`hazard_reading.py`).
"""

from dataclasses import dataclass


@dataclass(frozen=True)
class HazardWords:
    """One group of words.

    id      -- what an answer is kept under; a step tag of the hazard rules where `sets` is empty
    what    -- what it is about, so that “Is it …?” is a question
    words   -- one word in the singular, or several, up to one other word between them
    sets    -- the property of a thing that a yes sets, `allergens:nut` for one of a list
    figures -- what else says it already: figures and properties of a thing that the rules read
    forms   -- forms a thing or a role may have that the rules read
    tags    -- tags of an activity that say it already
    """

    id: str
    what: str
    words: tuple[str, ...]
    sets: str = ""
    figures: tuple[str, ...] = ()
    forms: frozenset[str] = frozenset()
    tags: frozenset[str] = frozenset()


def _group(id: str, what: str, words: str, sets: str = "", **said: str) -> HazardWords:
    return HazardWords(
        id,
        what,
        tuple(w.strip() for w in words.split(",")),
        sets,
        tuple(said.get("figures", "").split()),
        frozenset(said.get("forms", "").split()),
        frozenset(said.get("tags", "").split()),
    )


HAZARD_WORDS = (
    _group("magnet", "a strong magnet, or does it hold one", "magnet, magnetic, neodymium", "strong_magnet"),
    _group(
        "cell",
        "a button or coin cell, or does it hold one",
        "battery, button cell, coin cell, watch cell, lithium, tea light, light up, led",
        "button_cell",
    ),
    _group(
        "water_bead",
        "a bead that swells in water",
        "water bead, water pearl, gel bead, jelly bead, orbs, hydrogel, swell, expand",
        "swells_in_water",
    ),
    _group("balloon", "a balloon or a piece of one", "balloon, rubber glove", "balloon"),
    _group(
        "film",
        "thin plastic that can cover a face",
        "plastic bag, carrier bag, shopping bag, bin bag, bin liner, sandwich bag, freezer bag, bag over, cling film, "
        "clingfilm, plastic wrap, cellophane, dry cleaning, polythene, shrink wrap",
        "film",
    ),
    _group(
        "sharp",
        "sharp or prickly, or does something sharp come with it",
        "sharp, razor, scalpel, craft knife, carving knife, needle, pin, drawing pin, thumbtack, tack, staple, nail, "
        "screw, skewer, thorn, splinter, sharpener, shard, saw, chisel, shears, dart",
        "sharp",
        figures="pointed",
        forms="sharpener tack",
    ),
    _group(
        "blade",
        "a blade, or has it one",
        "blade, knife, cutter, scissor",
        "sharp",
        forms="blade knife",
        tags="cutting_tool knife",
    ),
    _group(
        "hard_food",
        "round, hard or slippery food",
        "nut, peanut, almond, cashew, hazelnut, popcorn, grape, cherry tomato, cherry, olive, hard sweet, sweet, "
        "candy, toffee, lollipop, marshmallow, jelly cube, sausage, hot dog, raw carrot, blueberry",
        "round_hard_food",
        figures="dissolves",
    ),
    _group("nut", "made with nuts", "nut, peanut, almond, cashew, hazelnut, pistachio, walnut, pecan", "allergens:nut"),
    _group("egg", "made with egg", "egg, mayonnaise, meringue", "allergens:egg"),
    _group("milk", "made with milk", "milk, yoghurt, yogurt, cheese, butter, cream, custard, whey", "allergens:milk"),
    _group("wheat", "made with wheat", "wheat, flour, bread, pasta, cracker, biscuit, couscous", "allergens:wheat"),
    _group("sesame", "made with sesame", "sesame, tahini, halva", "allergens:sesame"),
    _group("soy", "made with soy", "soy, soya, tofu, edamame", "allergens:soy"),
    _group(
        "raw",
        "raw beans, raw flour or raw egg",
        "raw, uncooked, kidney bean, cookie dough, unbaked",
        "raw",
        figures="food",
    ),
    _group(
        "cord",
        "a cord, a strip or a loop longer than 30 cm, or has it one",
        "string, rope, cord, ribbon, lace, scarf, scarves, lanyard, strap, belt, leash, lead, wire, cable, chain, "
        "elastic, yarn, thread, twine, fishing line, washing line, loop, bandage, stocking, tights, dressing gown",
        "cord_mm",
        figures="loop_mm",
        forms="cord strap bow tape",
        tags="tied_line",
    ),
    _group(
        "glass", "made of glass or china", "glass, mirror, china, porcelain, ceramic, jam jar, lightbulb, bulb", "glass"
    ),
    _group("latex", "made with natural rubber", "latex, rubber band, elastic band", "latex_perhaps", figures="latex"),
    _group(
        "heat",
        "hot, or used with something hot",
        "hot, heat, boil, scald, glue gun, soldering, iron, oven, stove, hob, kettle, candle, flame, fire, match, "
        "lighter, sparkler, steam, microwave, hair dryer, toaster, grill, melt",
    ),
    _group(
        "height",
        "to climb or to stand on",
        "ladder, stepladder, climb, roof, balcony, windowsill, window sill, stool, stand on, up tree, bunk, top shelf",
    ),
    _group(
        "round_neck",
        "worn round the neck, over the head or to bed",
        "necklace, neck, noose, lasso, throat, bib, round head, over head, over face, blindfold, to bed, in bed, "
        "asleep, cot, pram",
    ),
    _group(
        "deep_water",
        "in or beside deep water",
        "bath, bathtub, pool, paddling, pond, river, lake, sea, swim, well, under water, underwater",
    ),
    _group(
        "running", "used while running or racing", "run with, run while, running, race with, sprint, chase, skip with"
    ),
    _group(
        "traffic",
        "used at a road or among vehicles",
        "traffic, road side, roadside, pavement, street, car park, driveway",
    ),
    _group(
        "chemical",
        "cleaning stuff, medicine, poison or strong glue, or did it hold any",
        "detergent, pod, bleach, cleaner, disinfectant, dishwasher, washing powder, laundry, drain, acid, lye, borax, "
        "ammonia, turpentine, petrol, paraffin, solvent, thinner, super glue, epoxy, pesticide, weed killer, "
        "antifreeze, poison, poisonous, toxic, medicine, tablet, pill, vitamin, nicotine, vape, alcohol, sanitiser, "
        "sanitizer, nail varnish, perfume, essential oil, mothball, berry, mushroom, toadstool, ivy, foxglove",
    ),
    _group(
        "power_tool",
        "run from the mains, or a power tool",
        "drill, power tool, sander, blender, mixer, grinder, sewing machine, socket, mains, plug, extension lead, "
        "electric, shredder, lawn mower",
    ),
    _group(
        "shut_in",
        "something a child can get into and be shut in",
        "fridge, freezer, tumble dryer, washing machine, toy chest, suitcase, wardrobe, hide in, hide inside, trunk, "
        "get inside, climb into",
    ),
    _group(
        "in_body",
        "something put into the mouth, the nose or an ear",
        "swallow, chew, lick, suck, in mouth, into mouth, nose, nostril, ear, teeth, taste",
    ),
    _group(
        "thrown",
        "hard, and thrown or swung",
        "throw, hurl, fling, swing, kick, hit, smash, catapult, slingshot",
    ),
)
