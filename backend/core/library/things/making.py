"""Dough, putty and things made at home. Forces in N, from memory."""

from core.library.things.declare import thing
from core.materials import Ball, Box, Rod

THINGS = (
    thing("wheat_dough", "Home-made play dough", "dough", Box(100, 80, 50), 1, soft=True, force_newton=10, raw=True, allergens="wheat", shared_risk=True, texture="sticky", instead="Make it with corn flour or use putty."),
    thing("corn_dough", "Corn-flour dough", "dough", Box(100, 80, 50), 1, soft=True, force_newton=9, shared_risk=True, texture="sticky"),
    thing("soft_putty", "Soft putty", "dough", Box(60, 60, 30), 1, soft=True, force_newton=20, shared_risk=True, texture="sticky"),
    thing("firm_putty", "Firm putty", "dough", Box(60, 60, 30), 1, soft=True, force_newton=40, shared_risk=True, texture="sticky"),
    thing("clay", "Modelling clay", "dough", Box(80, 60, 40), 1, soft=True, force_newton=55, shared_risk=True, texture="sticky"),
    thing("slit_ball", "Slit tennis ball with a face", "squeezer", Ball(66), 1, force_newton=25, slit_mm=60),
    thing("soft_slit_ball", "Slit soft ball with a face", "squeezer", Ball(75), 1, force_newton=14, slit_mm=65, soft=True),
    thing("rolled_sock", "Rolled sock to squeeze", "squeezer bag", Rod(60, 90), 4, soft=True, force_newton=12, firm=False),
    thing("stuffed_roll", "Stuffed roll, one layer", "squeezer", Rod(50, 120), 1, soft=True, force_newton=22),
    thing("stuffed_roll_2", "Stuffed roll, two layers", "squeezer", Rod(55, 120), 1, soft=True, force_newton=36),
    thing("stuffed_roll_3", "Stuffed roll, three layers", "squeezer", Rod(60, 120), 1, soft=True, force_newton=56),
    thing("lolly_gripper", "Home-made stick gripper", "tongs squeezer", Box(150, 30, 30), 1, force_newton=11, opening_mm=45),
    thing("button_cloth", "Button strip in soft cloth, big buttons", "button_strip", Box(200, 60, 4), 1, soft=True, firm=False, slit_mm=34, opening_mm=28),
    thing("button_card", "Button strip in index card, big buttons", "button_strip", Box(200, 60, 1), 1, slit_mm=34, opening_mm=28),
    thing("button_board", "Button strip in box card, big buttons", "button_strip", Box(200, 60, 3), 1, slit_mm=34, opening_mm=27),
    thing("button_cloth_small", "Button strip in cloth, small buttons", "button_strip", Box(200, 50, 3), 1, soft=True, firm=False, slit_mm=18, opening_mm=14),
    thing("button_card_small", "Button strip in index card, small buttons", "button_strip", Box(200, 50, 1), 1, slit_mm=18, opening_mm=14),
    thing("old_waistband", "Waistband cut from old jeans", "button_strip fastener", Box(400, 60, 5), 1, soft=True, firm=True, slit_mm=20, opening_mm=17),
    thing("toilet_tube", "Cardboard tubes", "tube block", Rod(45, 100), 6, opening_mm=42),
    thing("kitchen_tube", "Long cardboard tube", "tube", Rod(45, 270), 2, opening_mm=42),
    thing("hose_piece", "Piece of wide hose", "tube", Rod(32, 400), 1, opening_mm=26),
    thing("letter_pieces", "Straight and arc card pieces", "block", Box(100, 15, 2), 10),
    thing("lolly_stick", "Lolly sticks", "block stick item", Box(114, 10, 2), 30),
    thing("counting_string", "Counting string with beads and clips", "cord item", Rod(12, 280), 1, cord_mm=280, cord_width_mm=3, stiffness="floppy", tip="taped"),
    thing("ring_string", "Short string of rings, buttons and bands", "cord item", Rod(14, 260), 1, cord_mm=260, cord_width_mm=3, stiffness="floppy", tip="taped"),
    thing("lace_card", "Card shoe with two laces", "lace_board", Box(250, 100, 10), 1, cord_mm=900, cord_width_mm=4, stiffness="floppy", tip="taped"),
    thing("old_shoe", "Old lace-up shoe", "lace_board fastener", Box(240, 90, 80), 1, cord_mm=900, cord_width_mm=5, stiffness="floppy", tip="taped"),
    thing("paper_ball", "Scrunched paper balls", "bag item", Ball(60), 10, soft=True, firm=False),
    thing("bean_bag", "Sock bags filled with rice", "bag", Box(120, 90, 40), 3, soft=True, firm=False),
    thing("light_scarf", "Light scarves that float", "bag cloth", Box(500, 500, 0.5), 3, soft=True, firm=False),
    thing("scrap_bits", "Paper scraps from cutting", "item", Box(15, 10, 0.2), 30, soft=True),
)  # fmt: skip
