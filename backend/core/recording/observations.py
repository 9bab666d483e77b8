"""What is watched while a child works: one-tap marks, what each may mean and the cue it calls for.

Common practice, no source.
"""

from dataclasses import dataclass
from types import MappingProxyType

OTHER_GRIP = "other_grip"  # the mark of a try that was done, but with another grip than the one that counts


@dataclass(frozen=True)
class Mark:
    """A thing seen during a set."""

    id: str
    words: str
    may_mean: str
    cue: str


_MARKS = (
    Mark("whole_hand", "whole hand", "the thing is big or light enough for a fist", "Smaller piece; “with the tips”"),
    Mark(
        "thumb_stiff",
        "thumb stiff or wrapped",
        "the thumb locks to make up for a weak arch",
        "“Make a round window”; touch the thumb pad",
    ),
    Mark(
        "many_fingers",
        "too many fingers",
        "ring and little finger have no job yet",
        "Tuck a pom-pom under the last two",
    ),
    Mark("not_tucked", "last two not tucked", "the steady side is not steady", "Something soft to keep tucked"),
    Mark("wrist_bent", "wrist bent in", "fingers stiffen when the wrist drops", "Raise the work or use a wall"),
    Mark("hold_high", "hold too high", "the grip slides up the tool", "A band or dot where the fingers go"),
    Mark(
        "tool_upright", "tool upright", "the tool does not rest in the web of the thumb", "Lean it back; “lie it down”"
    ),
    Mark("arm_floats", "arm floating", "the shoulder does the work of the hand", "Forearm on the table"),
    Mark(
        "helper_idle",
        "helper hand idle",
        "the job of the second hand is not clear",
        "“Helper hand holds, then walks along”",
    ),
    Mark("thumb_down", "thumb down", "the forearm has turned in", "A dot on the thumbnail: “dot looks up”"),
    Mark("blades_sideways", "blades sideways", "the wrist has rolled over", "“Blades stand up like a door”"),
    Mark("closes_fully", "closes blades fully", "each cut ends in a jag", "“Almost shut, push on, open”"),
    Mark(
        "past_stop", "runs past the stop", "eyes are on the blades, not ahead", "Stop zone in colour; a stick to feel"
    ),
    Mark("tears", "tears", "pulls instead of cutting or threading", "Heavier paper; slower"),
    Mark(
        "swaps_hands", "swaps hands", "tired, or no settled hand, or avoids the middle", "Things on the far side; rest"
    ),
    Mark(
        "two_hands",
        "two hands where one was asked",
        "the step inside the hand is too hard",
        "Bigger piece; one step easier",
    ),
    Mark(
        "leans",
        "leans on the table",
        "the trunk is tired or the seat is too low",
        "Check the seat; two minutes at a wall",
    ),
    Mark("feet_hang", "feet hanging", "no base to work from", "Box under the feet"),
    Mark("eyes_off", "eyes off the work", "too easy, too hard or too much on the table", "One piece at a time"),
    Mark("tires", "tires", "slows, shakes out or changes grip", "Rest now; fewer next time"),
    Mark("frustrated", "frustrated", "the step is too big", "One step easier; end on a success"),
    Mark(
        "presses_hard",
        "presses too hard",
        "the hand can't tell how much it needs",
        "Soft pencil on a mat; “write light as a feather”",
    ),
    Mark(
        "presses_light", "presses too lightly", "little strength, or afraid of a mistake", "Darker pencil; a short stub"
    ),
    Mark(
        "joint_caves",
        "finger joint caves in",
        "the joint has no hold of its own: look for a white nail",
        "“Round knuckles”; a thicker tool",
    ),
    Mark(
        "web_shut", "web space shut", "the thumb is pressed to the side", "A pom-pom in the web; “make a round window”"
    ),
    Mark(
        "wrist_hooked",
        "wrist hooked above the line",
        "the paper lies for the other hand",
        "Turn the paper, its corner towards the writing arm",
    ),
    Mark(
        "mirrors",
        "the other hand mirrors",
        "the two hands are not yet apart",
        "Give the other hand a job: hold, lean, carry",
    ),
    Mark(
        "shoulder_lifts",
        "shoulder lifts",
        "the arm works where the fingers should",
        "Elbow on the table; a lower table",
    ),
    Mark("elbow_out", "elbow out like a wing", "the forearm has turned in", "A cloth between arm and side"),
    Mark("skips_step", "skips or turns round a step", "the order is not yet sure", "One step less; a picture strip"),
    Mark("starts_low", "starts the letter at the bottom", "no fixed place to start", "A dot at the top to start from"),
    Mark("rushes", "rushes", "wants it over, or it is too easy", "Fewer, and each one admired"),
    Mark(
        "avoids_touch",
        "avoids touching",
        "the feel of it is too much",
        "A tool first; a towel ready; the child says stop",
    ),
    Mark("leaves_seat", "leaves the seat", "needs to move", "A job that moves, then come back"),
    Mark(
        "head_down",
        "head on hand, eyes near the paper",
        "tired trunk, or eyes: ask for a sight test",
        "Slope the paper; rest; note it for the family",
    ),
    Mark("asks_pain", "pain seen or told", "too much, too long", "Stop; ask 0 to 10; lighter work"),
    Mark("assists_unasked", "assisting hand came unasked", "a good sign", "Say what you saw; go on"),
    Mark(
        OTHER_GRIP,
        "done with another grip",
        "the hand goes back to a grip it is sure of",
        "Show the grip once; a thing that invites it",
    ),
    Mark("mouths", "mouths an item", "a safety question, at once", "Take it away; check every item left on the table"),
)

MARKS = MappingProxyType({m.id: m for m in _MARKS})
