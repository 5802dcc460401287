"""What an activity asks of the room and of the children: a form without touch, a picture or book to fetch, how many
it needs and bears."""

# How it goes where nobody touches anybody, for a class or for one child.
UNTOUCHED: dict[str, str] = {
    "ring-game": "Nobody holds hands: each stands on a spot, and the one in the middle points.",
    "partner-clap": "Clap own hands, then the air in front of the partner.",
    "circle-dance": "Arms hang, or all hold a ribbon between two.",
    "two-lines-dance": "Bow in the place of giving hands; down the middle side by side.",
    "elastic-ring": "Two hands' breadth between one grip and the next.",
    "pass-the-stone": "The stone is put down between two; the next one takes it up.",
    "mirror-moves": "An arm's length between the mirror and who looks into it.",
    "recorder-first-weeks": "A neighbour looks only; you show on your own recorder where fingers belong.",
    "fingering-shown": "Show it on your own recorder, never on a child's hand.",
    "air-mallets": "Show it on your own hands; a child copies beside you.",
    "finger-people": "Each on its own arm.",
    "hand-staff": "Each touches its own hand only.",
    "freeze-at-the-change": "A look chooses who speaks, never a tap.",
}

# A picture or a book that carries it; where there is none, the second part says what will do.
PICTURES: dict[str, str] = {
    "song-story": "A picture of a hill with a path, or a book with few words; else draw the hill while you tell.",
    "four-kinds-of-voice": "Four faces, one for each voice; else four drawn mouths.",
    "voices-named": "Four faces, one for each voice; else four drawn mouths.",
    "which-voice": "A large book to hide behind.",
    "another-way": "A picture book or photographs of a day; else the window.",
    "path-puzzle": "Three drawn paths, large enough for the last row.",
    "families-match": "Pictures of instruments with their names; else the things themselves.",
    "word-for-it": "A picture of each of the two sounds' makers, where there is one.",
    "hill-slide": "A picture of a hill; else the board.",
    "listen-and-raise": "A recorded piece of yours from the shelf; else play it yourself.",
    "kettle-voices": "A kettle, or a picture of one with steam.",
    "body-ladder": "A drawn ladder as high as a child.",
}

# Children: at least, at most. What is not named here goes with two to forty.
SIZES: dict[str, tuple[int, int]] = {
    "elastic-ring": (6, 24),
    "circle-dance": (8, 32),
    "two-lines-dance": (8, 32),
    "beat-passes": (6, 30),
    "pass-the-stone": (6, 30),
    "ring-game": (6, 30),
    "echo-rock-game": (4, 30),
    "drum-ring": (4, 28),
    "sing-a-round": (8, 60),
    "round-with-motions": (8, 60),
    "rondo-of-ours": (8, 32),
    "layers-one-by-one": (8, 40),
    "two-layers": (6, 40),
    "beside-the-class": (8, 40),
    "partner-clap": (2, 40),
    "hold-and-move": (6, 80),
    "two-groups": (8, 80),
    "row-by-row": (8, 80),
    "second-part-hums": (8, 60),
    "streamer-phrases": (2, 26),
    "scarf-lines": (2, 26),
    "name-and-wave": (2, 32),
    "roll-call-two-tones": (2, 32),
    "three-tone-tune": (4, 32),
    "form-cards": (4, 32),
    "a-card-a-part": (4, 32),
}
