"""What is learned with an instrument in the hands: drums and shakers, barred instruments, recorders."""

from kopje.core.planning.activities import Activity, Role

_DRUMS = "Soft hands; short turns; ear protection on request."
_MALLETS = "Mallets stay low; half the class plays, half sings."
_RECORDERS = "One child, one mouthpiece; wash between players; stop if dizzy."
_WHERE: tuple[Role, ...] = ("focus", "second", "play")
HANDS_ON_ACTIVITIES = (
    Activity("hands-before-drums", "On the knees first", "body percussion", _WHERE, (0, 8), (3, 4, 6), "seated",
             ("Play {song} on the knees as it will go on the drum.", "Three children take it to the drum, the rest go on."),
             song="known", purposes=("prepare",), strands=("unpitched",), props="hand drums", care=_DRUMS,
             easier="Only first beats.", harder="Right and left hand by turns.", instead="Stay on the knees."),
    Activity("this-stroke-is-called", "This is what we call it", "instrument", _WHERE, (0, 8), (3, 4, 6), "seated",
             ("One child plays it; all say what they see and hear.", "Name it: {concept}. Show {shown}; everybody plays it twice, softly."),
             purposes=("present",), strands=("unpitched",), props="hand drums", care=_DRUMS,
             easier="Watch twice before playing.", harder="With shut eyes: which stroke was it?", instead="Buckets or boxes."),
    Activity("drum-in-turn", "The drum goes on", "hearing singles", _WHERE, (0, 8), (3, 4, 6), "seated",
             ("All sing {song}; four children, one after the other, show {it}.", "The drum goes on at the end of a line."),
             song="known", purposes=("practise",), strands=("unpitched",), hears=4, props="hand drums", care=_DRUMS,
             easier="Two children at one drum.", harder="Only the last line.", instead="A box that goes round."),
    Activity("air-mallets", "Mallets in the air", "movement", _WHERE, (1, 8), (3, 4, 6), "standing",
             ("Show it over the knees with invisible mallets while {song} is sung.", "Half of them take it to the bars."),
             song="known", purposes=("prepare",), strands=("barred",), props="barred instruments", care=_MALLETS,
             easier="One hand.", harder="The class names the bars while the hands move.", instead="Two pencils."),
    Activity("mallets-are-called", "What our hands just did", "barred", _WHERE, (1, 8), (3, 5, 7), "standing",
             ("Two children play it; the others describe the hands.", "Name it: {concept}. Show {shown}; all try it on one pair of bars."),
             purposes=("present",), strands=("barred",), props="barred instruments", care=_MALLETS,
             easier="One hand after the other.", harder="They find it in another song.", instead="Two pencils over drawn bars."),
    Activity("bars-in-turn", "Four at the bars", "hearing singles", _WHERE, (1, 8), (3, 5, 7), "standing",
             ("Four children play {it} under {song}, each one verse.", "Who plays next stands behind and copies in the air."),
             song="known", purposes=("practise",), strands=("barred",), hears=4, props="barred instruments", care=_MALLETS,
             easier="Mark the bars.", harder="No look at the bars in the last verse.", instead="Drawn bars and pencils for who waits.", grouping="halves"),
    Activity("chin-recorder", "Fingers on the chin", "recorder", _WHERE, (3, 8), (3, 5, 7), "seated",
             ("Recorder on the chin: they finger while you play.", "Then one long soft tone, tongue says doo."),
             purposes=("prepare",), strands=("recorder",), props="26 recorders", care=_RECORDERS,
             easier="Thumb and one finger.", harder="They finger what you hum.", instead="A pencil with six dots."),
    Activity("fingering-shown", "How this tone is held", "recorder", _WHERE, (3, 8), (3, 5, 7), "seated",
             ("Name it: {concept}. Show {shown}; they copy, holes sealed with the pads.", "Echo four beats on each new tone."),
             purposes=("present",), strands=("recorder",), props="26 recorders", care=_RECORDERS,
             easier="A neighbour looks for gaps.", harder="From the tone they know to this one and back.", instead="A pencil with six dots."),
    Activity("four-play-alone", "Four play alone", "hearing singles", _WHERE, (3, 8), (3, 5, 7), "seated",
             ("All play a line with {it} in it.", "Four children play it alone; the rest finger along on the chin."),
             purposes=("practise",), strands=("recorder",), hears=4, props="26 recorders", care=_RECORDERS,
             easier="Two play together.", harder="The class fingers and stops where it went wrong.", instead="They sing it and finger along."),
)  # fmt: skip
