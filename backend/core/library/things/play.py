"""Toys, balls, blocks and what the floor offers. Sizes in mm, from memory."""

from core.library.things.declare import thing
from core.materials import Ball, Box, Rod

THINGS = (
    thing("building_block", "Wooden blocks, 3 cm", "block item", Box(30, 30, 30), 20),
    thing("big_brick", "Big click bricks", "block item puller", Box(64, 32, 24), 20, force_newton=12),
    thing("small_brick", "Small click bricks", "block item puller", Box(32, 16, 12), 40, force_newton=16),
    thing("pompom_big", "Big pom-poms", "item bag", Ball(38), 20, soft=True, friction="tissue"),
    thing("pompom_small", "Small pom-poms", "item", Ball(15), 40, soft=True, friction="tissue"),
    thing("cotton_ball", "Cotton wool balls", "item", Ball(40), 40, soft=True, friction="tissue"),
    thing("marble", "Glass marbles", "item", Ball(16), 20, friction="glass"),
    thing("big_marble", "Big glass marbles", "item", Ball(25), 8, friction="glass"),
    thing("die", "Dice", "item block", Box(16, 16, 16), 6),
    thing("jigsaw", "Jigsaw pieces", "item card block", Box(35, 30, 2), 24),
    thing("peg_people", "Wooden peg figures", "item block puppet", Rod(22, 55), 6),
    thing("finger_puppet", "Finger puppets", "puppet", Rod(25, 60), 5, soft=True),
    thing("soft_ball", "Soft ball, 15 cm", "bag", Ball(150), 1, soft=True),
    thing("tennis_ball", "Tennis balls", "bag item", Ball(66), 3),
    thing("balloon", "Balloons", "balloon bag", Ball(220), 5, soft=True, balloon=True, latex=True, instead="Use a light scarf or a paper bag."),
    thing("foil_balloon", "Foil balloon", "balloon bag", Ball(300), 1, soft=True, balloon=True),
    thing("paper_bag", "Paper bags, blown up and taped", "balloon bag", Box(200, 150, 80), 3, soft=True),
    thing("bubble_wrap", "Sheets of bubble wrap", "bubble", Box(300, 300, 10), 2, soft=True, force_newton=8, single_use=True),
    thing("suction_cups", "Suction cups", "puller bubble", Rod(45, 30), 6, force_newton=12),
    thing("snap_popper", "Press-stud strip", "puller fastener", Rod(14, 160), 1, force_newton=14, opening_mm=14),
    thing("big_snap", "Big press studs on cloth", "fastener puller", Rod(20, 200), 1, force_newton=9, opening_mm=20),
    thing("threading_toy_wheel", "Toy with a winding handle", "bolt", Box(150, 100, 80), 1),
    thing("magnet_small", "Small strong magnets", "item", Rod(8, 3), 10, strong_magnet=True),
    thing("coin_cell_light", "Small light with a coin cell", "item", Rod(25, 8), 1, button_cell=True),
    thing("water_beads", "Water-swelling beads", "item filler", Ball(12), 200, swells_in_water=True),
)  # fmt: skip
