"""Clothing, fastenings, tools of the shed, furniture, walls and floor. Sizes in mm, from memory."""

from core.library.things.declare import thing
from core.materials import Box, Rod

THINGS = (
    thing("zip_bag", "Bag with a big zip", "fastener", Box(300, 200, 20), 1, opening_mm=12, force_newton=8),
    thing("jacket_zip", "Jacket with an open-ended zip", "fastener", Box(600, 500, 20), 1, opening_mm=6, force_newton=10),
    thing("hook_loop_shoe", "Shoe with a hook-and-loop strap", "fastener puller", Box(230, 90, 80), 1, opening_mm=30, force_newton=10),
    thing("strap_bag", "Bag with a hook-and-loop flap", "fastener puller", Box(300, 250, 40), 1, opening_mm=50, force_newton=12),
    thing("satchel", "Satchel with a buckle", "fastener", Box(700, 300, 90), 1, opening_mm=25),
    thing("hook_eye_tape", "Waistband with hook and eye", "fastener", Box(300, 40, 4), 1, opening_mm=5),
    thing("wall_board", "Big board fixed to the wall", "wall", Box(1200, 800, 20), 1),
    thing("buckle_belt", "Belt with a buckle", "fastener", Box(800, 30, 4), 1, opening_mm=30),
    thing("hook_eye_strip", "Hook-and-eye strip", "fastener", Box(150, 30, 4), 1, opening_mm=5),
    thing("own_shirt", "Child's own shirt", "fastener button_strip", Box(400, 350, 4), 1, soft=True, firm=False, slit_mm=14, opening_mm=11),
    thing("big_cardigan", "Cardigan with big buttons", "fastener button_strip", Box(500, 400, 6), 1, soft=True, firm=False, slit_mm=30, opening_mm=25),
    thing("big_bolt", "Big bolts with nuts", "bolt item", Rod(20, 80), 4, opening_mm=20),
    thing("small_bolt", "Small bolts with nuts", "bolt item", Rod(8, 40), 8, opening_mm=8),
    thing("clear_wall", "Clear stretch of wall", "wall", Box(2000, 1000, 100), 1),
    thing("clear_floor", "Clear stretch of floor", "floor", Box(2000, 1500, 10), 1),
    thing("kneeling_cushion", "Firm cushion", "seat floor", Box(450, 450, 100), 1),
    thing("washcloth", "Face flannels", "cloth item", Box(300, 300, 4), 4, soft=True, firm=False),
    thing("sock_pair", "Socks", "cloth item bag", Box(180, 80, 20), 8, soft=True, firm=False),
    thing("ribbon_parcel", "Soft parcel with a ribbon", "lace_board", Box(220, 150, 90), 1, cord_mm=1000, cord_width_mm=8, stiffness="floppy", tip="plain"),
    thing("gown_belt", "Dressing-gown belt on a chair back", "lace_board", Box(400, 60, 30), 1, cord_mm=1400, cord_width_mm=25, stiffness="floppy", tip="plain"),
    thing("lace_boot", "Short boot with laces", "lace_board fastener", Box(250, 95, 140), 1, cord_mm=1100, cord_width_mm=5, stiffness="floppy", tip="taped"),
    thing("laundry_basket", "Laundry basket", "container", Box(550, 380, 280), 1, opening_mm=360),
    thing("toy_crate", "Toy crate", "container", Box(450, 320, 250), 1, opening_mm=300),
    thing("wooden_hammer", "Small wooden hammer", "block stick", Box(180, 60, 35), 1),
)  # fmt: skip
