"""The demo clinic on a made-up canal: families, cupboards and children, and the histories they are given.

Invented for this and appearing nowhere else. Histories are played by core.ability.simulation from a fixed seed and
stored through the same actions as real use.
"""

from dataclasses import dataclass, field

from core.child import Hand, Mouthing, Place, Supervision

CLINIC = "Larkwater Children's Hands"


@dataclass(frozen=True)
class DemoHome:
    """A cupboard. stock: material ids with counts."""

    name: str
    kind: Place
    supervision: Supervision
    stock: str


@dataclass(frozen=True)
class DemoChild:
    """A child, the way each targeted strand learns, and the sessions on record."""

    first_name: str
    home: str
    age_months: int
    hand: Hand
    targets: tuple[str, ...]
    wanted: tuple[str, ...]
    likes: tuple[str, ...]
    sessions: int
    kind: str
    start_shift: float = 0.0
    per_week: float | None = None
    mouthing: Mouthing = "never"
    allergies: tuple[str, ...] = ()
    precautions: tuple[str, ...] = ()
    refuses: tuple[str, ...] = ()
    family_words: str = ""
    seating: str = ""
    attention_minutes: int = 30
    every_days: int = 7
    place: str = "home"
    minutes: int = 35
    last_days_ago: int = 6
    helped: bool = False
    extra: dict[str, object] = field(default_factory=dict)


MEMBERS = (("maren", "Maren Quay", "lead"), ("tove", "Tove Alder", "therapist"), ("ilja", "Ilja Reed", "assistant"))

_BASICS = (
    "wide_bowl:3 small_cup:4 drink_bottle:3 drink_top:20 copy_paper:40 newspaper:12 child_scissors:1 short_crayon:8 "
    "thick_crayon:6 pencil:5 sock_pair:8 dinner_spoon:4 tea_spoon:4 dinner_fork:4 child_knife:1 plastic_pot:2 "
    "common_peg:16 tub_rim:1 clear_floor:1 clear_wall:1 toilet_tube:5 playing_cards:52 envelope:8 straw:15 "
    "stiff_card_edge:1 table_tray:1 water_bowl:1 dish_cloth:3 sponge:2"
)

HOMES = (
    DemoHome("Lock cottage", "home", "arms_reach", _BASICS + (
        " wooden_peg:18 weak_peg:8 wooden_bead_25:16 pony_bead:60 cut_straw:30 chenille_stem:10 tipped_cord:1 taped_lace:2 soft_wool:2 "
        "corn_dough:1 soft_putty:1 building_block:18 cork:12 coin_big:8 counter:20 big_button:12 button_cloth:1 button_card:1 "
        "own_shirt:1 index_card:20 heavy_paper:14 card_strip:12 bean_bag:2 light_scarf:2 bulb_baster:1 salad_tongs:1 sugar_tongs:1 "
        "pompom_big:12 pompom_small:20 jam_jar:3 sticker_big:20 sticker_small:60 muffin_tin:1 hole_tub:1 narrow_slot_tin:1 rolled_sock:2 "
        "soft_slit_ball:1 bubble_wrap:1 finger_puppet:4 zip_bag:1 kitchen_tube:1 big_bolt:3 marble:12 letter_pieces:10 balloon:4 glue_stick:1 dry_rice:1 cotton_bud:40 counting_string:1 paper_ball:6 paper_cards:12 highlighter:1 old_shoe:1 jar_band:10")),
    DemoHome("Boatyard flat", "home", "arms_reach", _BASICS + (
        " stiff_peg:8 bulldog_clip:6 metal_washer:16 metal_washer_small:20 small_bolt:8 big_bolt:4 parcel_string:2 plastic_line:1 "
        "tea_cosy_line:1 slit_ball:1 stuffed_roll:1 stuffed_roll_2:1 spray_bottle:1 firm_putty:1 clay:1 cereal_card:4 heavy_paper:10 "
        "wallpaper_strip:10 wooden_bead_15:20 handled_stick:1 taped_dowel:1 hose_piece:1 lace_card:1 old_shoe:1 tennis_ball:2 soft_ball:1 "
        "peg_tweezer:2 paste_tube:2 small_brick:30 big_brick:12 domino:20 chalk:4 thick_marker:4 masking_tape:20 old_waistband:1 left_scissors:1 "
        "cork:10 coin_small:12 shaker:1 curtain_ring:10 dowel_stand:1 hair_band:6 hook_loop_shoe:1 buckle_belt:1 glue_stick:1 lolly_stick:20 dry_sand:1 snap_popper:1")),
    DemoHome("Narrowboat Wren", "home", "arms_reach", (
        "wide_bowl:2 small_cup:3 drink_top:12 common_peg:10 wooden_peg:10 parcel_string:1 taped_lace:1 cut_straw:20 copy_paper:15 newspaper:6 "
        "child_scissors:1 pencil:3 short_crayon:5 sock_pair:6 tea_spoon:3 dinner_fork:2 child_knife:1 plastic_pot:1 tub_rim:1 toilet_tube:4 "
        "cork:8 pompom_big:8 corn_dough:1 sponge:1 water_bowl:1 dish_cloth:2 playing_cards:40 curtain_ring:6 kitchen_roll_holder:1 "
        "clear_wall:1 paper_ball:6 rolled_sock:2 egg_box:2 drink_bottle:2 foam_ring:8 bracelet:5 table_tray:1 envelope:6 big_cardigan:1 magazine:2 cotton_bud:30 dry_lentils:1 hair_band:6 hook_loop_shoe:1 washcloth:3")),
    DemoHome("Narrowboat Sedge", "home", "arms_reach", (
        "wide_bowl:2 small_cup:3 drink_bottle:3 drink_top:14 common_peg:12 stiff_peg:6 pasta_tube:40 pasta_wheel:40 chenille_stem:8 taped_lace:1 "
        "soft_wool:1 copy_paper:25 heavy_paper:8 index_card:12 left_scissors:1 pencil:4 thick_crayon:5 short_crayon:6 sock_pair:6 dinner_spoon:3 "
        "tea_spoon:3 dinner_fork:3 child_knife:1 plastic_pot:1 narrow_slot_tin:1 tub_rim:1 toilet_tube:3 coin_big:8 coin_small:12 cork:10 "
        "wheat_dough:1 firm_putty:1 hair_band:6 jar_band:10 sponge:1 water_bowl:1 dish_cloth:2 playing_cards:52 button_cloth_small:1 button_card:1 "
        "clear_wall:1 clear_floor:1 bean_bag:3 light_scarf:1 table_tray:1 envelope:6 small_bolt:6 jam_jar:2 magazine:2 sticker_small:40 lace_card:1 domino:28 glue_stick:1 lolly_stick:20 cotton_bud:30 hook_eye_strip:1 paper_cards:12")),
    DemoHome("Clinic room", "clinic", "arms_reach", _BASICS + (
        " weak_peg:12 wooden_peg:20 stiff_peg:12 bag_clip:4 bulldog_clip:6 wooden_bead_25:20 wooden_bead_15:30 pony_bead:100 cotton_reel:8 "
        "foam_ring:10 curtain_ring:12 metal_washer:20 handled_stick:2 taped_dowel:2 chenille_stem:15 plastic_line:1 tipped_cord:2 taped_lace:2 soft_wool:4 "
        "dowel_stand:2 stick_in_eggbox:9 salad_tongs:1 sugar_tongs:1 blunt_tweezers:1 bulb_baster:1 dropper:2 spray_bottle:1 soft_slit_ball:1 slit_ball:1 "
        "stuffed_roll:1 stuffed_roll_2:1 stuffed_roll_3:1 corn_dough:2 soft_putty:2 firm_putty:2 clay:1 heavy_paper:30 index_card:40 cereal_card:8 "
        "card_strip:20 left_scissors:1 spring_scissors:1 thick_marker:6 thick_pencil:3 hole_tub:1 narrow_slot_tin:1 shaker:1 muffin_tin:1 jam_jar:3 paste_tube:2 "
        "big_bolt:4 small_bolt:8 counter:40 coin_big:12 coin_small:20 pompom_big:20 pompom_small:40 marble:20 building_block:20 small_brick:40 letter_pieces:20 "
        "button_cloth:1 button_card:1 button_board:1 button_cloth_small:1 zip_bag:1 jacket_zip:1 big_snap:1 snap_popper:1 suction_cups:6 lace_card:1 "
        "kitchen_tube:2 hose_piece:1 bean_bag:3 light_scarf:3 soft_ball:1 tennis_ball:2 bubble_wrap:2 finger_puppet:5 sticker_big:30 sticker_small:100 "
        "thick_cards:8 domino:28 kneeling_cushion:1 thick_spoon:1 measuring_jug:1 glue_stick:2 dry_rice:1 cotton_bud:50 counting_string:1 highlighter:2 hook_loop_shoe:1 buckle_belt:1 hook_eye_strip:1 lolly_stick:30 hair_band:10 paper_ball:8 pick_with_handle:2 key_ring:10 washcloth:3")),
)  # fmt: skip

CHILDREN = (
    DemoChild("Ansel", "Lock cottage", 58, "right", ("grasp", "in_hand"), ("buttons", "name"), ("boats", "animals"), 14, "quick",
              start_shift=-0.6, per_week=0.16, family_words="Wants to do the buttons on his deckhand jacket himself.", seating="Feet on a crate", last_days_ago=7),
    DemoChild("Bryony", "Lock cottage", 31, "not_settled", ("grasp", "bilateral"), ("zip", "cutlery"), ("animals",), 10, "slow",
              mouthing="often", family_words="Zip her own coat before nursery.", attention_minutes=14, minutes=20, last_days_ago=5, seating="High chair with a foot plate"),
    DemoChild("Corin", "Boatyard flat", 79, "left", ("scissors", "strength"), ("scissors", "name"), ("building site", "trains"), 15, "plateau",
              start_shift=-1.6, per_week=0.14, family_words="Cut out his models without help.", last_days_ago=7),
    DemoChild("Delphie", "Boatyard flat", 97, "right", ("in_hand", "strength"), ("laces", "coins"), ("shop", "trains"), 13, "setback",
              start_shift=-1.2, precautions=("joint_laxity",), family_words="Tie her own boots on deck days.", every_days=14, minutes=40, last_days_ago=9),
    DemoChild("Emrys", "Narrowboat Wren", 45, "right", ("bilateral", "grasp"), ("cutlery", "zip"), ("animals", "weather"), 12, "prompt_dependent",
              start_shift=-0.3, allergies=("egg", "latex"), refuses=("sticky",), family_words="Eat supper with a fork like his sister.", minutes=30, last_days_ago=12, helped=True),
    DemoChild("Fenna", "Narrowboat Sedge", 66, "left", ("scissors", "in_hand"), ("scissors", "coins"), ("space", "boats"), 16, "quick",
              start_shift=-1.0, per_week=0.12, allergies=("latex",), family_words="Pay at the lock shop on her own.", last_days_ago=7),
    DemoChild("Garth", "Narrowboat Sedge", 112, "right", ("strength", "bilateral"), ("ball", "lunchbox"), ("ball games",), 11, "patchy",
              start_shift=-1.5, family_words="Catch well enough to join in at break.", every_days=14, minutes=40, last_days_ago=52),
    DemoChild("Hollis", "Narrowboat Wren", 52, "right", ("grasp",), ("name",), ("weather",), 0, "slow", family_words="Hold a pencil at school like the others.", attention_minutes=20),
)  # fmt: skip
