# Every word of the page.

## app
app = Kopje
listed = { $before } and { $last }

## places
places-week = Week
places-year = Year
places-today = Today
places-songs = Songs
places-ledger = Ledger
places-practice = Practice
places-set-up = Set-up
places-you = You
places-main = Main places
places-day = The day

## keys
keys-title = Keys
keys-space = space
keys-close = Close
keys-open = Keys
keys-search = Search songs and sections
keys-pitch = Starting pitch
keys-tonic = Tonic pattern
keys-look = Each part of the score in turn
keys-next = Next
keys-previous = Previous
keys-done = Done
keys-partly = Partly
keys-skip = Skip
keys-secure = Secure
keys-nearly = Nearly
keys-not-yet = Not yet
keys-absent = Absent
keys-undo = Take the last mark back
keys-names = Hold: show names
keys-pin = Pin
keys-refuse = Refuse
keys-propose = Propose anew
keys-choose = Choose a part
keys-help = This sheet
keys-teach = Teach

## state
unsaved-leave = What you changed here is not kept yet. Leave and lose it?
app-skip = Skip to the page
app-away = Kopje does not answer just now. You need do nothing: it is asked again every few seconds, and what you mark is kept on this device.
state-loading = One moment …
state-failed = This could not be loaded.
state-again = Try again

## signIn
sign-in-login = Name
sign-in-password = Password
sign-in-go = Sign in
sign-in-lead = The planner and the ledger that know the music.

## firstRun
first-run-title = Begin
first-run-lead = One page, then you can plan. Everything can be changed later.
first-run-school = School
first-run-teacher = Your name
first-run-login = Name to sign in with
first-run-password = Password (8 characters or more)
first-run-section = Your first section
first-run-songs = Put the songs that come with Kopje into my songbook
first-run-go = Begin
first-run-busy = Setting up your school and reading the songs. This takes a few seconds.
first-run-missing = Still needed: school, a name and password to sign in with, and the section with the time it meets.

## sectionForm
section-form-name = Section, for instance 2A
section-form-grade = Grade
grade-of = { $n ->
     [-1] Below kindergarten
     [0] Kindergarten
     [13] Choir
    *[other] Grade { $n }
  }
grades-of = { $low } and { $high }
section-form-upper = Taught together with
section-form-upper-none = nobody else
section-change = Change this section
section-changed = { $name } was changed.
lib-open = Open
lib-nothing = Nothing to choose from
lib-clear = Clear { $what }
lib-action = { $what }
lib-month-before = The month before
lib-month-after = The month after
lib-year-before = The year before
lib-year-after = The year after
lib-month = Choose a month
lib-year = Choose a year
undo-back = Take it back
undo-done = Taken back.
song-removed = “{ $title }” was taken out of the songbook.
songs-removed = Taken out of the songbook
songs-back = Take back
year-changed = The year of { $name } was changed.
year-undo = Take back
kept-dates = The dates were kept.
kept-school = The school was kept.
kept-words = The words were kept.
kept-colours = The colours were kept.
kept-singers = The singers were kept.
kept-sequence = The sequence was kept.
change-removed = { $what } was removed.
question-dropped = “{ $name }” was dropped.
section-all-share = All of them:
words-terms = What children are told
words-terms-hint = Leave a field empty to keep the usual word.
words-own-rhythm = Our own syllables
words-own-rhythm-hint = A blank between syllables, one for each note that sounds. A rest is silent unless it has a word here.
words-silent = silent
section-form-minutes = Minutes a lesson
section-form-names = Children, one name a line
section-form-names-hint = Paste a column. Names as you call them; nothing else is needed.
section-form-meets = Meets
section-form-day = Day
section-form-time = Time
section-form-minutes-here = Other minutes
section-form-add-meeting = Add a meeting
section-form-when = When does it come to you? Kopje plans for the lessons it really has.
section-form-here-now = They are here now
section-form-remove-meeting = Remove this meeting
section-form-earlier = Earlier grades brought their usual concepts (you can change this later)
section-form-counted = { $n ->
     [one] { $n } child
    *[other] { $n } children
  }

## weekdays
weekdays-0 = Monday
weekdays-1 = Tuesday
weekdays-2 = Wednesday
weekdays-3 = Thursday
weekdays-4 = Friday
weekdays-5 = Saturday
weekdays-6 = Sunday

## strip
strip-none = No lessons are timetabled yet. Add meeting times in Set-up.
strip-left-over = { $n } left over
strip-running = in the room now
strip-done = taught
strip-not-held = did not happen
strip-now = now { $clock }

## today
today-none = No lesson is in the calendar. In Set-up, say when your sections meet.
today-rest = That was the last lesson of the day.
today-next = { $when ->
    [soon] { $name } in { $minutes } min
    [now] { $name } is due now
   *[later] { $name } comes next
  }
today-next-day = { $name } on { $day } at { $time }
today-start = start on { $pitch }
today-left = { $n ->
     [one] { $n } thing
    *[other] { $n } things
  } left over
today-hear = hear { $names }
today-later = Later
today-all = All sections
today-teach = Teach
today-go-on = Go on teaching
today-look = Look at the lesson
today-propose = Propose the lesson
today-no-lesson = No lesson is proposed yet.

## section
section-title = { $grade } · { $roll ->
     [one] { $roll } child
    *[other] { $roll } children
  }
section-lessons = { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  } taught
section-due = Due
section-secure = Secure in
section-nothing-secure = Nothing has been heard often enough yet.
section-declared = { $n } more declared from earlier years
section-songs-for = Songs for this
section-next-lesson = Next lesson
section-ledger = Ledger
section-open = Open the lesson
section-ahead = Lessons after that
section-propose-this = Propose it
section-propose = Propose the lesson
section-no-songs = The songbook is empty. Bring in a few songs first.
section-bring-songs = Go to the songs
section-barred = { $n ->
     [one] { $n } song
    *[other] { $n } songs
  } will not do for this
section-met = { $n ->
     [0] new to them
    *[other] sung in { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  }
  }
section-nothing-due = Nothing is due: everything of this grade is named and ready.

## purpose
purpose-prepare = prepare
purpose-present = present
purpose-practise = practise

## lesson
lesson-title = Lesson { $n }
lesson-minutes = { $n } of { $of } minutes
lesson-new = new
lesson-left-over = left over
lesson-why = Why this?
lesson-alternatives = Instead
lesson-pin = Pin
lesson-unpin = Unpin
lesson-refuse = Not for this section
lesson-propose = Propose anew
lesson-teach = Teach
lesson-go-on = Go on teaching
lesson-over = This lesson is over.
lesson-not-held = This lesson did not happen.
lesson-reopen = Open it again
lesson-note = Your note
lesson-swap = Take this
lesson-none = Nothing else fits here.
lesson-new-thing = new: { $what }
lesson-may-pass = A child may pass here, without a mark.
lesson-forms-easier = Easier
lesson-forms-harder = Harder
lesson-forms-instead = Stand-ins
lesson-props = Fetch
lesson-best = best possible
lesson-found = best found
lesson-hears = { $n } heard alone
lesson-proposing = Proposing …
lesson-last-note = From last time
lesson-next-one = Propose the next lesson
lesson-energy-seated = seated
lesson-energy-standing = standing
lesson-energy-moving = moving
lesson-choose = Choose a part to see why it is there and what else would fit.
lesson-was-done = done
lesson-was-partly = partly
lesson-was-skipped = skipped
lesson-was-open = not reached

## outbox
outbox-unsent = { $n ->
     [one] { $n } thing
    *[other] { $n } things
  } not sent yet
outbox-since = since { $day }
outbox-long = It lies on this device alone. Bring the device to where Kopje answers, and it is sent.
outbox-aside = { $n ->
     [one] { $n } thing
    *[other] { $n } things
  } to settle
outbox-title = Not sent, and set aside
outbox-lead = What you mark is kept on this device first and then sent. Nothing here is lost; nobody else sees it.
outbox-away = Kopje does not answer. It is tried again by itself.
outbox-out = You are signed out. Sign in again, and it is sent.
outbox-none = Everything has been sent, and nothing waits to be settled.
outbox-waiting = Waiting to be sent
outbox-refused-title = Not accepted as it is
outbox-aside-title = Set aside by Kopje
outbox-again = Try again
outbox-drop = Let it go
outbox-full = This device has no room left, so the last mark was not kept. Free some space, then mark again.
outbox-send-now = Send now
outbox-kinds-started = lesson begun
outbox-kinds-ticked = a part ticked
outbox-kinds-marked = a mark
outbox-kinds-taken_back = taken back
outbox-kinds-absent = absent
outbox-kinds-noted = a note
outbox-kinds-ended = lesson ended
outbox-kinds-reopened = lesson opened again
outbox-kinds-rated = how a part went
outbox-kinds-not_held = lesson did not happen

## teach
teach-of = { $n } of { $all }
teach-previous = Previous
teach-next = Next
teach-done = Done
teach-partly = Partly
teach-skip = Skip
teach-end = End the lesson
teach-minutes = min
teach-left = { $n } min left in the lesson
teach-past = { $n } min over the lesson’s time
teach-swap = { $title } first
teach-calm = Calm
teach-write = Note
teach-nothing-to-judge = Nothing in this part can be judged. Choose what to listen for, if you want to.
teach-in-group = { $n } together
teach-otherwise = { $who }: { $how }
teach-children = { $n ->
    [one] One child
   *[other] { $n } children
  }
teach-pace = { $n } s each
teach-best = best round { $n } s each
ring-left = { $n } { $n ->
    [one] minute
   *[other] minutes
  } left in this part
ring-over = { $n } { $n ->
    [one] minute
   *[other] minutes
  } over in this part
begin-other = { $name } has not been ended yet.
begin-not-now = This lesson is on { $day } at { $time }, not now.
begin-again = Press again to begin all the same.
begin-go-there = Go to { $name } and end it
more-title = Other ways
more-away = Missing
more-find = By name
more-all = All at once
more-game = A game
more-class = Whole class
more-hands = Hands up
more-other = Something else
more-size = { $n ->
    [1] One alone
   *[other] { $n } together
  }
more-help = Help
more-by-seats = As they sit
more-by-rota = By turn
more-all-how = All answer silently at the same moment: by a sign, a card, with eyes shut. Tap those who do not have it.
more-could-copy = They could see each other
more-all-take = { $n } have it{ $not ->
    [0] {""}
   *[other] , { $not } not yet
  }
more-away-how = Tap who is not here; tap again who comes after all.
more-find-how = First letters
more-find-nobody = Nobody who is still to be heard
more-game-how = A game with two answers that never repeats one more than three times. It is one mark, and luck is reckoned in.
more-game-right = Right
more-game-of = of
more-game-asked = Asked
more-game-take = Take it: { $result }
more-class-how = The class as a whole:
more-class-kept = The whole class: { $result }. It is kept with the lesson and counts for no child.
more-results-secure = has it
more-results-nearly = nearly has it
more-results-not_yet = does not have it yet
more-hands-asked = What was asked
more-hands-count = Hands
more-hands-how = Kept with the lesson; never a mark.
more-hands-kept = { $n } of { $of } hands.
more-keep = Keep
more-other-which = Listen for
more-other-hear = Listen for it in this part
more-other-move = Move the { $n ->
    [one] mark
   *[other] { $n } marks
  } of this part there
more-other-back = Back to the part’s own
keys-passes = Passes
keys-size = One alone, or two to four together
keys-order = By turn, or as they sit
keys-shut = Shut what is open
keys-longer = Two minutes more for this part
keys-swap = The next part first
keys-calm = Something done sitting
keys-note = A note
teach-names = Hold to show names
teach-mine = Only I see this screen
teach-projector = Projector
teach-listening = { $concept } · { $way } · { $help }
teach-ways-hear = hearing it
teach-ways-sing = singing or playing
teach-ways-read = reading
teach-ways-write = writing
teach-ways-create = making
teach-helps-none = alone, no help
teach-helps-model = with a model
teach-helps-signs = with signs or pointing
teach-queue = Hear these
teach-then = then
teach-nobody = Everybody on the roll was heard or is absent.
teach-hidden = Child { $n }
teach-undo = Undo
teach-note = One line for next time
teach-note-hint = It is shown before the next lesson.
teach-heard = { $n } heard
teach-ended = What was not done comes again in the next lesson, as far as it finds room there; the others are named.
teach-ticked-done = done
teach-ticked-partly = partly
teach-ticked-skipped = skipped
teach-names-hidden = Names are hidden while this screen may be mirrored. Hold n to see them, open the projector, or say beside it that nobody else sees this one.
teach-now = now hearing
teach-hearing = Hearing queue
teach-activity = Activity

## projector
projector-title = Projector
projector-waiting = Waiting for the lesson …
projector-look = Look and listen

## ledger
ledger-title = Ledger
ledger-children = Child
ledger-readiness = The class
ledger-empty = Nothing has been heard or taught here yet. Teach a lesson and mark a few children.
ledger-legend = Legend
ledger-no-marks = No marks: nobody listened yet.
ledger-marks = Marks, newest first
ledger-ways = By way
ledger-answers-ready = ready
ledger-answers-teach_again = teach again
ledger-answers-split = split
ledger-answers-hear_more = hear more
ledger-answers-nobody_heard = not heard
ledger-voices-alone = alone
ledger-voices-group = in a group
ledger-voices-class = with the class
ledger-share = { $good } of { $heard }

## year
year-title = Year
year-ridge = The year of
year-was = taught
year-lay = Lay the year
year-lay-again = Lay it anew
year-laying = Laying …
year-ways-out = Ways out
year-looking = Looking for ways …
year-take = Take this
year-back = Keep it as it is
year-preview = Preview: this is what the year would look like.
year-phases-prepare = prepare
year-phases-present = name it
year-phases-practise = practise
year-phases-warm = keep warm
year-phases-assess = assess
year-fits = best possible
year-kept = in the order you had; lay it anew to look for a better one
year-found = { $gap ->
    [0] best found
   *[other] best found, at most { $gap } points from best
  }
year-reserve = { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  } in reserve
year-unrecorded = { $n ->
    [one] { $n } lesson went by without a note
   *[other] { $n } lessons went by without a note
  }
year-held = { $n } of { $of ->
     [one] { $of } lesson
    *[other] { $of } lessons
  } held
year-minutes = { $hours } h { $minutes } min of contact left
year-assumed = No terms are entered yet, so September to June is assumed.
year-to-set-up = Enter the terms
year-left-out = No room this year
year-later = Waits for next year
year-table = The same as a table
year-concept = Concept
year-begin = Begins in lesson
year-earlier = Earlier
year-later-one = Later
year-longer = Longer
year-shorter = Shorter
year-prepare = Prepare
year-practise = Practise
year-next-year = Wait for next year
year-this-year = Bring it back into this year
year-free = Let Kopje place it
year-placed = You placed it here.
year-split = Split it
year-split-from = Rest from lesson
year-split-length = Lessons of rest
year-join = Join it again
year-rests = It rests from { $from } for { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  }.
year-not-before = Not named before
year-not-after = Not named after
year-begun = It has begun: what was taught stays as it was.
year-moved = This moved with it
year-by = { $n ->
    [one] { $n } lesson
   *[other] { $n } lessons
  } { $way ->
    [later] later
   *[earlier] earlier
  }
year-nothing-moved = Nothing else moved.
year-legend = Legend
year-taught-legend = taught
year-lessons-of = { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  }
year-where = Where will they be on
year-grade = { $g ->
     [-1] Below kindergarten
     [0] Kindergarten
     [13] Choirs
    *[other] Grade { $g }
  }
year-spare = { $fits ->
    [no] short by { $n }
   *[yes] { $n } to spare
  }
year-behind = { $n ->
     [0] furthest on
    *[other] { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  } behind
  }
year-by-then = { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  } of the year over by then
year-fit-all = Lay every year anew
year-fitting = { $n } of { $of } laid
year-stop = Stop
year-school = The school’s year

## child
child-title = This child on the roll
child-name = Name to display
child-section = Section
child-keep = Keep this
child-left = Left the school
child-has-left = { $name } has left the school. Marks stay.
child-is-called = It is { $name } now.
child-is-in = { $name } is in { $section } now. Marks went along.
child-gone = { $n ->
    [one] One child has left
   *[other] { $n } children have left
  }
child-came-back = { $name } is on the roll again.
child-is-back = Is back
take-back = Take back
child-stays = Marks stay with the child.

## rollOver
roll-over-heading = Next school year
roll-over-lead = Sections go up a grade with their children and their marks; what was secure is due to be heard again.
roll-over-look = What would happen
roll-over-go = Go into the next school year
roll-over-done = Done. Enter the new terms above.
roll-over-becomes = { $was } becomes { $name }
roll-over-leaves = { $was } leaves the school
roll-over-begins = { $name } begins, still without children

## sequence
sequence-title = The sequence
sequence-lead = { $n ->
     [one] { $n } concept
    *[other] { $n } concepts
  } in the order of teaching. Within a strand the next begins once the one before was practised.
sequence-keep = Keep as a new version
sequence-kept = Kept as version { $n }.
sequence-along = Kept. { $names } came along, because it was taught or heard already.
sequence-read = { $n ->
     [one] { $n } concept
    *[other] { $n } concepts
  } read. Look through them, then keep them.
sequence-start-from = Start from
sequence-shipped-so-mi = so-mi first
sequence-shipped-mi-re-do = mi-re-do first
sequence-shipped-scale = scale first
sequence-bring = From a file
sequence-add = Add a concept
sequence-fresh = A new concept
sequence-strand = Strand
sequence-grade = Grade
sequence-after = after { $names }
sequence-up = Earlier
sequence-down = Later
sequence-more = More
sequence-needs = Comes after
sequence-found-music = Found in a song by its tones or figures.
sequence-found-traits = Found in a song by what is chosen here:
sequence-found-any_song = Can be done with any song.
sequence-found-tag = Nothing in the notes tells it: a song has it where you say so.
sequence-traits = Found by
sequence-any-song = any song will do
sequence-shown = What the class sees when it is named
sequence-sign = Sign
sequence-prompt = A question for the class
sequence-ways = A child shows it by
sequence-not-before = Each year not named before
sequence-not-after = and not after
sequence-any-day = any day
sequence-core = Core: it has to find room in its year
sequence-remove = Take it out
sequence-versions = Versions
sequence-back = Go back to this

## words
words-title = What you call things
words-lead = From here on every page, plan and print says it your way. What is kept stays the same.
words-so = Fifth degree
words-ti = Seventh degree
words-si-note = With si for the seventh, the raised so is written so♯.
words-names = Degrees are shown as
words-names-of-solfa = syllables
words-names-of-numbers = scale numbers
words-names-of-letters = letter names where a song gives them
words-rhythm = Rhythm is spoken as
words-rhythm-of-ta-titi = ta, ti ti, by value
words-rhythm-of-beat-function = ta di, ta ka di mi, by place in the beat
words-rhythm-of-macro-micro = du de, du ta de ta, by place in the beat
words-rhythm-of-counting = 1 &, 1 e & a, counted
words-minor = Minor is read from
words-minor-of-la = la
words-minor-of-do = do (do re me)
words-model = Learning goes through
words-name-after = A concept gets its name after
words-name-usual = as usual in this model
words-own = Your words
words-usual = { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  }
words-keep = Keep these words

## monthDay
month-day-month = { $what }: month
month-day-day = { $what }: day

## bars
bars-title = Colours of the bars
bars-lead = Only if the bars in your room are coloured: set each as it is there. A song can then show them; the letters stand beside.
bars-none = No colour for { $bar }

## singers
singers-title = Who sings in { $name }
singers-lead = Children of the classes; their marks go with them.
singers-none = No class has children yet.
singers-count = { $n ->
     [one] { $n } singer
    *[other] { $n } singers
  }
singers-keep = Keep

## typing
typing-title = Type a song
typing-open = Type a song
typing-name = Title
typing-line = Tones, beat by beat
typing-words = Words, syllable by syllable
typing-keep = Keep it in the songbook
typing-example = 
    s m | sl s
    s -l | s -
typing-words-example = 
    Up the hill we
    climb at noon
typing-sums = { $n ->
     [one] { $n } bar
    *[other] { $n } bars
  }, all add up.
typing-without = { $n ->
     [one] { $n } tone
    *[other] { $n } tones
  } without a syllable.
typing-hint = A space between beats; tones of one beat side by side: d r m f s l t, or letters C D E F G A B, with , for low and ' for high. - holds, . is silence, | is a bar line. A new line begins a new phrase; =1 is line 1 again, =1 r d the same with another end. In the words an empty line begins the next verse.

## ask
ask-title = Which songs
ask-for-whom = Songs for
ask-anybody = anybody
ask-add = that has …
ask-groups-concept = What you teach
ask-groups-tone = Tones
ask-groups-figure = Rhythms
ask-groups-meter = Meters
ask-groups-set = Tone sets
ask-groups-rests = { CAP($word_home) }
ask-keep = Keep this sentence
ask-kept-as = Call it
ask-kept = Kept:
ask-drop-kept = Forget “{ $name }”
ask-more = { $n ->
     [one] { $n } more song
    *[other] { $n } more songs
  }
ask-sung-before = sung in { $n ->
     [one] { $n } lesson
    *[other] { $n } lessons
  }
ask-has = has { $name }
ask-drop = No longer: has { $name }
ask-known = else only what { $name } knows
ask-fits = fits { $name }’s voices
ask-fresh = new to them
ask-rested = Last sung
ask-whenever = whenever it was sung
ask-not-since = not sung for { $weeks ->
     [one] { $weeks } week
    *[other] { $weeks } weeks
  }
ask-found = { $n ->
     [one] { $n } song
    *[other] { $n } songs
  }

## insight
insight-tabs-made = Made of
insight-tabs-together = Together
insight-tabs-words = Words
insight-tabs-phrases = { CAP($word_phrases) }
insight-tabs-keys = Best keys
insight-tabs-drills = Practise
insight-tabs-games = Games
insight-tabs-about = About
insight-tabs-title = More about this song
insight-verse = Verse { $n }
insight-on-tones = Words on each tone
insight-held = held over { $tones }
insight-wordless = This song has no words.
insight-hard = How hard
insight-axes-tones = tones
insight-axes-motion = motion
insight-axes-rhythm = rhythm
insight-axes-meter = meter
insight-axes-key = key
insight-axes-range = range
insight-step = { $n } of 5
insight-phrases = { CAP($word_phrase) } by { $word_phrase }
insight-move = { $kind ->
    [repeat] { $n ->
        [one] { $n } repeat
       *[other] { $n } repeats
      }
    [step] { $n ->
        [one] { $n } step
       *[other] { $n } steps
      }
    [skip] { $n ->
        [one] { $n } skip
       *[other] { $n } skips
      }
   *[leap] { $n ->
        [one] { $n } leap
       *[other] { $n } leaps
      }
  }
insight-half-steps = ({ $n ->
    [one] { $n } half step
   *[other] { $n } half steps
  })
insight-phrases-from-told = They begin where you said.
insight-phrases-from-marks = They begin where the file shows it: line ends, breath marks, repeats.
insight-phrases-from-spans = The file does not show { $word_phrases }; these are equal spans.
insight-heard = From long tones, { $word_rests } and repeats they seem to begin in { $n ->
    [one] bar
   *[other] bars
  } { $bars }.
insight-take-heard = Take these
insight-strong = only strong beats
insight-line = The line of { $word_phrase } { $label }
insight-hear = Hear it
insight-bars = { $several ->
    [0] bar { $first }
   *[1] bars { $first }–{ $last }
  }
insight-elsewhere = here do = { $doIs }, { $tonality }
insight-turns = Turns that come back
insight-stairs = Stairs
insight-hands = Hand signs
insight-mirrored = as in a mirror, for those who face you
insight-own-view = as you see your own hand
insight-levels = Dotted: waist, chest, eyes.
insight-beside-ladder = Ladder
insight-beside-stairs = Stairs
insight-beside-hands = Hands
insight-beside-title = Show the tones as
insight-words = On { $tone }: { $words }
insight-no-words = No words on { $tone }.
insight-mend = Mend it:

## keyFor
key-for-sing-so = Sing it so
key-for-sung-so = sung so
key-for-title = Best keys
key-for-whom = for
key-for-purpose = to
key-for-purposes-voices = sing
key-for-purposes-bars = sing and play on bars
key-for-purposes-recorder = play on the recorder
key-for-purposes-reading = read with one sign at most
key-for-written = as written
key-for-show = Show it so
key-for-none = No key with four signs or fewer puts it inside their outer limits.
key-for-printed = Printed with do = { $letter }. “Show it so” looks at it in that key; “Sing it so” leaves the score and moves what sounds.

## drills
drills-kind = What
drills-kinds-echo = calls to echo
drills-kinds-up_and_down = up and back, one more each time
drills-kinds-thirds = every other tone
drills-kinds-sequence = three in a row, moving on
drills-kinds-widening = signs to read, one new tone a row
drills-beats = Beats
drills-ending = Ending
drills-endings-any = any
drills-endings-home = at { $word_home }
drills-endings-open = open
drills-from = From
drills-lowest = the lowest
drills-home = ends at { $word_home }
drills-open = open end
drills-none = No stretch of this length begins on a strong beat without cutting a tone.
drills-sum = { $tones ->
    [one] { $tones } tone
   *[other] { $tones } tones
  }, about { $time } with a breath after each row.

## games
games-title = Which game
games-names-masked = Sing some inside
games-names-trials = Which tonality?
games-names-guess = Guess the song
games-only = only these aloud
games-count = Questions
games-may-change = it may change in the middle
games-again = Another order
games-answer = Show
games-half = changes in the middle
games-luck = Evidence from { $least } of { $count } right on; all by luck: { $share } of 100.
games-luck-only = All { $count } right happens by luck in { $share } of 100: no evidence yet, ask more.
games-whose = Songs of
games-by = by
games-clues-rhythm = rhythm
games-clues-contour = ups and downs
games-clues-words = some of its words
games-clap = Clap
games-no-songs = This class has not sung any song yet.
games-alike = Would also fit: { $names }.

## about
about-change = Change
about-keep = Keep
about-leave = Leave it
about-unsaid = not said
about-yes = yes
about-no = no
about-nothing = Nothing is said about this song yet.
about-unverified = Where it comes from has not been verified.
about-twins = Other tunes of this title

## variant
variant-title = Another way
variant-how = Sound it
variant-as-is = as it is
variant-parallel = in { $name }, same { $word_home }
variant-half = half in { $name }
variant-do = do is
variant-written = { $letter }, as written
variant-back = Back to the song as it is
variant-said = This is not how the song is written.

## play
parts-title = Parts
parts-all = all parts
parts-alone = without the others
parts-hear-one = Play { $name }
parts-nothing = Nothing crosses, rubs or runs side by side.
parts-remarks = Remarks by the rules of school part-writing; good music breaks them on purpose.
parts-against = The parts against each other
together-see = See it so
together-back = The song alone
round-title = As a round
round-none = No way to sing it as a round was found: it needs two phrases or more, and bars that add up.
partners-title = Partner songs
partners-none = No song of the book fits over it: partners share meter, resting tone and length.
play-title = Play
play-start = Play
play-stop = Stop
play-tempo = { $n } beats a minute
play-tempo-short = { $n } a min
play-tonic-first = tonic first
play-what = What
play-all = all of it
play-phrase = { $word_phrase } { $n } ({ $label })
play-loop = loop
play-rhythm = rhythm only
play-keyboard = Keyboard
play-on = On
play-instruments-piano = piano
play-instruments-bars = bars
play-instruments-plain = plain tones

## layers
layers-title = Under the notes
layers-names-words = words
layers-names-degrees = syllables
layers-names-numbers = numbers
layers-names-letters = letters
layers-names-rhythm = rhythm
layers-names-motion = steps and skips
layers-names-marks = only where needed
layers-names-hands = hands
layers-names-phrases = { $word_phrases }
layers-mirror = mirrored
layers-own = own view
layers-colours = bar colours
layers-reading = Reading
layers-reading-hint = Hides every help: only the notes

## told
told-title = Say it yourself
told-own = Worked out
told-computed = as worked out
told-printed = as printed
told-do = Do is
told-resting = { CAP($word_resting_tone) }
told-sung = Sung with do
told-beat = It is counted
told-phrases = { CAP($word_phrases) } begin in bars
told-letters = Letters of the { $word_phrases }
told-has = It has
told-lacks = It has no
told-choose = choose …
told-untag = No longer say: { $name }
told-mended = Mended as you said: bar { $bars }. The file stays as it came.
told-undo = Take it all back
told-beats-1-2 = in eighths
told-beats-1 = in quarters
told-beats-3-2 = in dotted quarters
told-beats-2 = in halves
told-beats-3 = in dotted halves

## roster
roster-title = The whole school from a table
roster-lead = One row a child or a section, with a first row that names the columns: section, grade, name, minutes, meets. A OneRoster zip works too. Nothing is kept before you have looked at it.
roster-example = 
    section	grade	name	minutes	meets
    2A	2	Ama	30	Mon 09:10, Thu 09:50
    2A	2	Jun
roster-paste = Paste a table
roster-look = Look at it
roster-file = Choose a file
roster-understood = { $sections ->
     [one] { $sections } section
    *[other] { $sections } sections
  } and { $children ->
     [one] { $children } child
    *[other] { $children } children
  } understood.
roster-meets = { $n ->
     [0] no meeting times
    *[other] { $n ->
     [one] { $n } meeting
    *[other] { $n } meetings
  }
  }
roster-children = { $n ->
     [one] { $n } child
    *[other] { $n } children
  }
roster-row = Row { $n }
roster-keep = Keep these
roster-keep-good = Keep the good rows
roster-leave = Leave it
roster-kept = { $sections ->
     [one] { $sections } new section
    *[other] { $sections } new sections
  }, { $children ->
     [one] { $children } child
    *[other] { $children } children
  } added{ $already ->
     [0] {""}
    *[other] , { $already } already there
  }.

## week
week-title = Week
week-next = Next week
week-before = Week before
week-no-lessons = No lessons.
week-nothing = nothing is laid
week-lesson = lesson { $n }
week-change = Room

## calendar
calendar-title = The year
calendar-terms = Terms
calendar-holidays = Holidays
calendar-name = Name
calendar-first = First day
calendar-last = Last day
calendar-add-term = Add a term
calendar-add-holiday = Add a holiday
calendar-save = Keep these dates
calendar-saved = Kept. Every section’s lessons are counted anew.
calendar-cycle = Timetable
calendar-weekly = by weekday
calendar-days = { $n }-day cycle
calendar-remove = Remove
calendar-lost = A lesson lost, or an extra one
calendar-kind = What
calendar-lost-kind = lost
calendar-extra-kind = extra
calendar-day = Day
calendar-time = Time (empty: the whole day)
calendar-why = Why
calendar-who = Sections (none: all)
calendar-add = Add
calendar-concerts = Concerts
calendar-add-concert = Add the concert
calendar-concepts = What it needs
calendar-all = all sections
calendar-missing = Still missing
calendar-nothing-missing = Everything a year needs is there.
calendar-no-terms = terms
calendar-no-meetings = meeting times for { $names }
calendar-no-sections = sections
calendar-out = Take the calendar along (iCalendar)
calendar-bring = Holidays from a calendar file
calendar-brought = { $n ->
     [one] { $n } holiday
    *[other] { $n } holidays
  } read. Look at them, then keep the dates.

## standing
standing-not_heard = not heard
standing-not_yet = not yet
standing-nearly = nearly
standing-secure = secure
standing-once = showed it once
standing-due = secure, due for review
standing-once_due = showed it once, due for review
standing-partly = heard in one way, not yet in another

## songs
songs-title = Songs
songs-find = Find by title, tone or meter
songs-bring = Bring in songs
songs-drop = Drop or paste files or a tune here: MusicXML, .mxl, ABC or MIDI
songs-not-atune = What was pasted is neither ABC nor MusicXML. Nothing was kept; paste the whole text of a tune.
songs-shipped = Add the songs that come with Kopje
songs-none = No song yet.
songs-nothing = No song matches.
songs-report = What became of the files
songs-added = added
songs-already = already there
songs-refused = not read
songs-problems = { $n ->
     [one] { $n } thing
    *[other] { $n } things
  } to look at
songs-parts = in { $n } parts, the first is shown
songs-bars = { $n ->
     [one] { $n } bar
    *[other] { $n } bars
  }
songs-count = { $n ->
     [one] { $n } song
    *[other] { $n } songs
  }
songs-busy = Reading …
songs-reading = { $done } of { $all ->
     [one] { $all } song
    *[other] { $all } songs
  } read
songs-stop = Stop here
songs-close = Close
songs-sum-added = { $added ->
    [one] { $added } song
   *[other] { $added } songs
  } added
songs-sum-already = { $already } already there
songs-sum-refused = { $refused ->
    [one] { $refused } file
   *[other] { $refused } files
  } not read

## song
song-open = Open the song
song-pointed = Bar { $bar }
song-point-hint = Press a note to hear it and see it in all pictures; arrow keys walk on from there.
song-rests = { $word_resting_tone } { $tone }
song-rests-not = no { $word_resting_tone }
song-sure = { $share } % sure
song-do-is = do = { $d }
song-sung-with = Sung with do = { $letter }: the starting pitch, what plays and the keyboard follow that; the score stays as printed.
song-do-unknown = do is not known
song-tonality-major = major
song-tonality-minor = minor
song-tonality-dorian = dorian
song-tonality-phrygian = phrygian
song-tonality-lydian = lydian
song-tonality-mixolydian = mixolydian
song-tonality-not_established = no tonality yet
song-spoken = Spoken, without tones
song-spoken-hint = Its rhythm and its words are what it is made of.
song-tone-set = Tones
song-tone-sets-single-tone = single tone
song-tone-sets-bitonic = bitonic
song-tone-sets-tritonic = tritonic
song-tone-sets-tetratonic = tetratonic
song-tone-sets-pentatonic = pentatonic
song-tone-sets-do-pentatonic = do-pentatonic
song-tone-sets-re-pentatonic = re-pentatonic
song-tone-sets-mi-pentatonic = mi-pentatonic
song-tone-sets-so-pentatonic = so-pentatonic
song-tone-sets-la-pentatonic = la-pentatonic
song-tone-sets-major-pentachord = major pentachord
song-tone-sets-minor-pentachord = minor pentachord
song-tone-sets-five-tone = five tones
song-tone-sets-hexachord = hexachord
song-tone-sets-six-tone = six tones
song-tone-sets-seven-tone = seven tones
song-tone-sets-major = major
song-tone-sets-natural-minor = natural minor
song-tone-sets-dorian = dorian
song-tone-sets-phrygian = phrygian
song-tone-sets-lydian = lydian
song-tone-sets-mixolydian = mixolydian
song-tone-sets-locrian = locrian
song-tone-sets-melodic-minor = melodic minor
song-tone-sets-harmonic-minor = harmonic minor
song-tone-sets-chromatic = chromatic
song-tone-sets-and-chromatic = { $name } and chromatic tones
song-range = Range
song-meter = Meter
song-form = Form
song-final = Ends on
song-elements = Rhythm
song-motion = Motion
song-problems = To look at
song-facts = Facts
song-ladder = Ladder
song-bar = bar { $n }
song-times = { $n }×
song-motions-repeat = repeat
song-motions-step = step
song-motions-skip = skip
song-motions-leap = leap
song-motions-half_step = of these half steps
song-remove = Remove from the songbook
song-file = as it came
song-files = File:
song-print = Print:
song-print-all = with its facts
song-print-drills = drills and games
song-print-bare = the notes alone
song-paper = Paper
song-unnamed = no name
song-start = Starting pitch
song-tonic = Tonic pattern
song-whole = The class as a whole
song-names-composer = By
song-names-words = Words
song-names-origin = Origin
song-names-kind = Kind
song-names-source = Source
song-names-rights = Rights
song-names-note = Note
song-names-book = Book
song-names-language = Language
song-names-verified = Verified
song-names-role = Role
song-names-game = Game
song-names-season = Season
song-names-culture = Culture
song-names-care = Care
song-score = Score of { $title }
song-times_long = lasts

## setUp
set-up-sequence = What is taught, in which order and grade
set-up-title = Set-up
set-up-contents = On this page
school-zone = Time zone
school-zone-none = That of the machine Kopje runs on
school-zone-hint = A day of the school is a day there. It is { $clock } now.
school-keep = Keep
school-kept = Kept. It is { $clock } there.
not-found-title = There is nothing here
not-found-lead = No page has the address { $address }. Nothing was lost; go on from here.
set-up-section = Add a section
set-up-add = Add the section
set-up-added = { $name } is there now.
set-up-screen = This device
set-up-night = Dark (for a dim hall)
set-up-keys = Single keys
set-up-volume = Volume
set-up-out = Sign out
set-up-everywhere = Sign out on every device
set-up-you = You
set-up-mine = Only I see this screen: show names while teaching
set-up-sections = Sections

## drawer
drawer-close = Close the drawer

words-dates = Dates
words-dates-of-day_first = 24 November
words-dates-of-month_first = November 24
words-dates-of-iso = 2026-11-24
words-clock = Times
words-clock-of-24 = 14:30
words-clock-of-12 = 2:30 pm
clock-12 = { $time } { $half ->
    [am] am
   *[pm] pm
  }
## What a field may hold, said at the field and by the server in the same words
field_missing = This is needed.
field_long = At most { $most ->
    [one] { $most } character
   *[other] { $most } characters
  }.
field_short = At least { $least ->
    [one] { $least } character
   *[other] { $least } characters
  }.
field_from = { $least } or more.
field_to = { $most } or less.
field_form = Not written as it should be.

day-pick = Pick a day: { $what }
day-unread = No day: write it like { $example }.
time-unread = No time: write it like { $example }.

## What children are told; a school may have words of its own
word-phrase = phrase
word-phrases = phrases
word-rest = rest
word-rests = rests
word-resting-tone = resting tone
word-home = home

## The choir's ladder of reading
ladder-title = The choir's ladder
ladder-lead = Tones, rhythm and parts are three ladders. A level is one rung of each, so that you can say what broke.
ladder-keep = Keep this ladder
ladder-kept = Kept. Marks that were made keep their meaning.
ladder-along = Kept. What was heard stays beside the ladder: { $names }.
kept-ladder = The ladder was changed.
ladder-levels = Level
ladder-level = Level { $n }
ladder-new = new here
ladder-strand-pitch = Tones
ladder-strand-rhythm = Rhythm
ladder-strand-parts = Parts
ladder-shipped-parts-first = Parts before skips
ladder-shipped-skips-first = Skips before parts
ladder-have-it = { $n } of { $of }
ladder-broke = Broke in the newest reading: { $where }.
ladder-declared = Brought from earlier years.
ladder-by-itself = taken up by itself
ladder-sign-why = It comes here by itself, and no level waits for it. To make it part of a level, take it out and add it to that level.
ladder-also = Also read at this level
ladder-tones = { $tones }, { $skips }.
ladder-steps = in steps
ladder-skips = skips in { $skips }
ladder-figures = { $figures }, in { $meters }.
ladder-after = A level after it
ladder-remove = Take it out
ladder-free = In no level yet
ladder-free-why = Each can be taken up anywhere: after the level you chose, or at the end.
teach-broke-of = { $name }: what broke?
keys-broke-tones = Reading broke: tones
keys-broke-rhythm = Reading broke: rhythm
keys-broke-part = Reading broke: the own part
ledger-broke = { $where } broke

## Recorded pieces
pieces-title = Recorded pieces
pieces-lead = Music to listen to, move to and play along with. Tap its parts once while you hear it.
pieces-add = Add a piece
pieces-empty = Add one from a file or a disc of yours, or bring in the six that come with Kopje.
pieces-bring = Bring in the six
pieces-not-tapped = Its parts are not tapped yet.
pieces-nobody = No class has heard it yet.
pieces-heard = { $n ->
    [one] Heard by { $section }, { $day }.
   *[other] Heard by { $n } classes, last by { $section }, { $day }.
  }
pieces-change-louder = louder
pieces-change-softer = softer
pieces-change-faster = faster
pieces-change-slower = slower
pieces-change-other_instrument = other sound
pieces-change-other_mood = other mood
pieces-change-stop = stands still
pieces-feel-two = in two
pieces-feel-three = in three
pieces-feel-four = in four
pieces-feel-swaying = swaying
pieces-feel-free = no beat to follow
pieces-part = part { $letter }
pieces-from-here = Hear it from { $at }
pieces-sooner = A little sooner
pieces-later = A little later
pieces-take-out = Take out
pieces-own = It comes with Kopje and sounds by itself.
pieces-take-off = Take it off the shelf
pieces-off = “{ $title }” was taken off the shelf.
pieces-keep = Keep
pieces-kept = Kept.
pieces-clock = Start with the music
pieces-ends = It ends now
pieces-new-part = New part { $letter }
pieces-part-again = { $letter } again
pieces-changes = It becomes
pieces-how = Choose your file, or start your disc and this clock together. Your music stays with you; only the moments are kept.
pieces-file = Your file
pieces-file-stays = Listening to { $name }. The file stays on this device.
pieces-file-unheard = { $name } cannot be played here. Nothing was changed; try it as MP3, OGG or WAV, or use the clock beside your player.
pieces-moments = Moments
pieces-no-moments = Start it, and tap when a part begins.
pieces-about = About it
pieces-field-title = Title
pieces-field-question = What to listen for
pieces-field-style = Style
pieces-field-place = Where the music is
pieces-field-rights = Rights
pieces-felt = Its beat is felt
pieces-good-for = Also good for
pieces-has = Can be heard in it: { $names }.
pieces-keys-play = Play, or stop
pieces-keys-new = A new part begins
pieces-keys-again = Part { $letter } again
pieces-play = Play it
pieces-from-disc = From { $place }
lesson-works = It works when:
lesson-forms-untouched = Without touch
lesson-forms-picture = To fetch
lesson-space-floor = clear floor
lesson-space-ring = room for a ring
lesson-space-seats = at their places
lesson-size = { $least } to { $most } children
lesson-grows = How it grows
lesson-first-form = First time: as above.
teach-form = Time { $n }, { $stage }:

set-title = { $name }: the next lessons
set-count = Lessons
set-compose = Compose the rest
set-compose-first = Compose the lessons
set-composing = Composing … this takes up to half a minute.
set-anew = All anew
set-undo = Take back
set-redo = Do again
set-last = Last: { $what }.
set-empty = Nothing is planned here yet. Compose the lessons, then pin, swap or refuse what you like; the rest is fitted around it.
set-changed = changed
set-minutes = Minutes
set-longer = Longer
set-shorter = Shorter
set-by-hand = Something else
set-activity = Activity
set-song = Song
set-piece = Recorded piece
set-put = Put it here
set-refused = Not to come
set-lift = Let it come again
set-prices = What each wish costs
set-tier-must = rule
set-tier-teaching = teaching
set-tier-taste = taste
set-move-hint = To move a part, drag it onto another, or hold Shift and press an arrow: the two change places.
set-print = Print
set-print-day = Print this day for a substitute
set-open = Plan the next lessons
keys-walk = walk; with Shift move
set-open-part = open
lesson-pinned = pinned

knows-title = What they know
knows-heading = What { $name } knows already
knows-hint = New to Kopje is not new to you. What you tick counts as named, until marks say otherwise; a song that is ticked is an old friend from the first lesson. Each tick is kept at once.
knows-concepts = They can name
knows-all = All
knows-none = None
knows-songs = { $n ->
    [0] Songs they know
    [one] Songs they know: one
   *[other] Songs they know: { $n }
  }
knows-did = What they can name was changed.
knows-find = Find a song

## activities
activities-title = Activities
activities-lead = Everything that may come into a lesson. Write your own, or make one from another; it is proposed from then on.
activities-write = Write an activity
activities-find = Find an activity
activities-grade = For grade
activities-shown = { $n ->
    [one] { $n } activity
   *[other] { $n } activities
  }
activities-minutes = { $n } minutes
activities-own = your own
activities-noted = note or file
set-up-activities = Activities: all of them, and your own
activity-open = Whole activity, your notes and files
activity-title = Name
activity-steps = What is done, step by step
activity-step = Step { $n }
activity-drop-step = Take step { $n } away
activity-add-step = One more step
activity-braces = In a step, {"{"}song{"}"} becomes the song's title, {"{"}piece{"}"} the recorded piece, {"{"}section{"}"} the class, and {"{"}it{"}"} what is learned, never by its name too early.
activity-works = It works when …
activity-roles = Part of the lesson
activity-kind = Kind
activity-how = How they are
activity-energy-seated = seated
activity-energy-standing = standing
activity-energy-moving = moving
activity-grouping = Placed
activity-from = From grade
activity-to = To grade
activity-least = Minutes at least
activity-usual = Minutes as a rule
activity-most = Minutes at most
activity-fewest = Children at least
activity-at-most = Children at most
activity-needs-song = Song
activity-song-none = no song
activity-song-known = a song they know
activity-song-target = a song that has what is learned
activity-song-new = a song that is new to them
activity-phases = Phases
activity-about = Works on
activity-about-like = Left empty, it works on what the activity works on that it is made from.
activity-hears = Children heard alone
activity-in-way = Heard how
activity-way-hear = by ear
activity-way-sing = singing or playing
activity-way-read = reading
activity-way-write = writing
activity-way-create = making something
activity-care = Care
activity-grows = How it grows when it comes again
activity-form = Time { $n }
activity-form-says = What is different then
activity-drop-form = Take time { $n } away
activity-add-form = One more time
activity-routine = A routine: known from the second lesson on, never carried over
activity-change = Change
activity-copy = Make one from this
activity-away = Put away
activity-back = Take out again
activity-is-away = It is put away: it is not proposed any more. Where it lies planned or was done it stays.
activity-away-did = “{ $title }” is put away.
activity-changed = “{ $title }” was changed.
activity-leave = Leave as it was
activity-between = { $least } to { $most } minutes, as a rule { $usual }
activity-beside = Kept beside it, for you only
activity-note = Your note
activity-links = Links and places, one a line
activity-kilobytes = { $n } kB
activity-megabytes = { $n } MB
activity-add-file = Add a file
activity-files-hint = PDF, PNG, JPEG or sound, at most 20 MB each. Files stay with your school's data and are never sent anywhere.
activity-drop-file = Take { $name } away

## template
template-open = Lesson order
template-title = { $name }: parts of a lesson
template-lead = From top to bottom, for all lessons of these grades. A part without minutes takes what its activity needs.
template-part = Part { $n }
template-turns = Take turns here
template-let-turn = Let activities take turns in part { $n }
template-always = Never dropped
template-up = Part { $n } up
template-down = Part { $n } down
template-drop = Take part { $n } away
template-add = One more part
template-settle = To settle
template-line-up = To line up
template-between = Between parts
template-half-minutes = { $n } min
template-short = A lesson of { $n } minutes does without: { $without }.
template-shipped = As it was at first
template-then = What is planned already stays; compose the lessons anew to have them in this order.

## rate
rate-well = Went well
rate-why = Why?
rate-flat = Fell flat
keys-well = Done, and it went well
keys-flat = Done, but it fell flat

## unopened
unopened-title = Did it happen?
unopened-planned = As planned
unopened-held = It was held
unopened-otherwise = Otherwise
unopened-lost = It was lost
unopened-all = All { $n } of them
unopened-did-held = { $name }: held.
unopened-did-lost = { $name }: lost.
today-next-thing = What helps most next
teach-leave-out = Leave them out
teach-keep-all = Keep all
set-files = Print, keep
set-file-ics = Calendar (iCalendar)
set-file-csv = Table (CSV)
set-file-json = For other programs (JSON)
set-print-paper = Print (PDF)

## room
room-title = What the room has
room-lead = Counted once: what needs more than there is is not proposed. What you leave empty is taken to be there.
room-kept = What the room has was changed.
today-fetch = Fetch

## keptSets
kept-set-title = Kept sets
kept-set-name = A name for these lessons
kept-set-keep = Keep them under this name
kept-set-lay-title = Lay a kept set here
kept-set-hint = For another grade, or next year: what holds for this class is pinned, the rest is composed around it. It can be taken back.
kept-set-lessons = { $n ->
    [one] { $n } lesson
   *[other] { $n } lessons
  }
kept-set-lay = Lay here
kept-set-forget = Forget { $name }
kept-set-dropped = What does not hold here
kept-set-all-held = All of it holds here

## coverage
coverage-title = What there is to teach with
coverage-lead = { $n } of { $all } things have too little: songs, activities, or a way to hear a child.
coverage-thin = Only where there is too little
coverage-concept = What is taught
coverage-fills = What would help
coverage-column-songs = Songs that have it
coverage-column-clear = clearly enough to name
coverage-column-pieces = Recorded pieces
coverage-column-prepare = Activities that prepare
coverage-column-present = that name
coverage-column-practise = that practise
coverage-column-heard = that hear one child
set-up-coverage = What there is to teach each thing with

## composing
set-so-far = The best so far costs { $cost } points and can be bettered by { $gap } at most.
set-stop = That will do

## activityDated
activity-dated = Different from a day on
activity-dated-day = From
activity-add-dated = It grows on a day
activity-drop-dated = Take growth { $n } away

## focus
focus-title = One song through the lessons
focus-lead = Choose a song: what must really be learned of it, and what is done with it each time until it is theirs. Laid here, its parts are pinned and the rest is composed around them; it can be taken back.
focus-learn = To be learned
focus-lesson = Lesson { $n }: { $stage }
focus-lay = Lay it over these lessons

## voice
seasons-label = Seasons
seasons-hint = Songs of a season are kept for it. What a song says of itself, or what you write under “season” on its page, decides.
seasons-none = Do not count
seasons-north = North of the equator
seasons-south = South of the equator
day-like = What is the day like?
day-like-lead = Lessons composed from now on prefer songs that suit it.
day-like-next = Compose again, or swap a part: these come first.
day-like-none = None of the classes of this day knows a song for it yet.
room-voice = Minutes a day for your voice
room-voice-hint = At most so many in which you sing or speak all through. It is a wish: lessons are composed so that the others lead more.
today-voice = Your voice leads { $n } minutes today.
calendar-songs = Songs that are kept warm for it

## Backups

backups-title = Backups
backups-last = The last good backup is of { $moment }.
backups-none = There is no backup yet. The first one is made within a few minutes; you can make it now.
backups-checked = All of them were read through on { $moment } and were as they were written.
backups-not-checked = They have not been read through yet.
backups-tried = On { $moment } everything was brought back on trial, into a place that was thrown away again.
backups-not-tried = None was brought back on trial yet.
backups-make = Make one now
backups-made = Made, read through, and kept.
backups-kept = What is kept
backups-rule = One is made every day by itself. Kept are those of the last 7 days, 4 weeks and 12 months, with everything: classes, children, marks, plans, songs and files.
backups-of = Of
backups-kind = Made
backups-usual = as usual
backups-before-update = before an update
backups-sealed = sealed
backups-size = Size
backups-kilobytes = { $n } kB
backups-take = Take a copy
backups-elsewhere = A backup on the same machine is lost with the machine. Take a copy elsewhere now and then, or let them lie on another disk.
backups-back = Bringing one back
backups-back-how = Stop Kopje, then, on the machine it runs on or on a new one:
backups-where = Where they lie
backups-folder = Another folder on the machine Kopje runs on
backups-folder-hint = A whole path, such as a disk that is plugged in. Earlier ones stay where they are.
backups-folder-keep = Use this folder
backups-folder-usual = The usual place again
backups-seal = Sealed with a passphrase
backups-seal-why = Backups hold children's names and marks. Sealed, they can be opened only with your passphrase.
backups-seal-care = The passphrase is kept nowhere. Who loses it loses the backups: write it down where only you look.
backups-seal-on = New backups are sealed.
backups-seal-off = Seal no more
backups-seal-do = Seal from now on
backups-sealed-now = From the next backup on they are sealed.
backups-passphrase = Passphrase, at least 12 characters
backups-passphrase-again = The same again
backups-passphrase-differs = The two differ.
backups-old = The last backup is of { $moment }, more than a week ago.
backups-never = No backup has been made yet.
backups-look = Backups
set-up-safe = Safe-keeping
set-up-backups = Backups: when the last was made, and where they lie

## Adults

set-up-people = People: who may come in, and what they may do
people-title = People
people-lead = Every adult signs in with a name of their own, so that a mark says who made it.
people-name = Name
people-signs-in = signs in as { $login }
people-may = May
people-you = (you)
people-role-of = What { $name } may do
people-role-owner = own the school
people-role-teacher = teach
people-role-substitute = stand in
people-role-viewer = read reports
people-about-owner = Everything, also people, backups and the school itself.
people-about-teacher = Plan, teach, mark and report; not people, backups or the school's name. With sections of her own, her days and weeks show those; the others stay within reach.
people-about-substitute = Today's lessons of the sections given: read the plan, teach, tick and mark. No history, no other pages.
people-about-viewer = Reports that were made for her, and nothing else. There are none yet.
people-sections = Sections
people-sections-of = Sections of { $name }
people-all = all of them
people-no-section = none yet
people-until = Until
people-until-of = Last day of { $name }
people-password = Link for a new password
people-remove = Remove
people-remove-sure = Really remove { $name }?
people-waiting = Links that wait
people-waits = { $name }, invited until { $until }
people-waits-password = { $name }, a new password until { $until }
people-withdraw = Withdraw
people-invite = Invite somebody
people-make-link = Make a link
people-link = Give this link to { $name }, and to nobody else. It works once, within a week, and is not shown again.
people-copy = Copy it
link-title = Welcome, { $name }
link-lead = You are invited to { $school }. Choose how you want to sign in.
link-password = { $school }: choose a new password. Everybody who is signed in as you is signed out.
link-choose = New password, at least 8 characters
link-go = Keep this
you-password = Password
you-password-old = Password of now
you-password-do = Change it
you-password-done = Changed. Your other devices were signed out.
you-devices = Where you are signed in
you-here = this device
you-since = since { $moment }
you-sign-out = Sign it out
you-browser = A browser
you-browser-on = { $browser } on { $system }
sign-in-others = Sign out all my other devices
sign-in-plain = This page comes over plain http: on this device it cannot work offline, and a password can be overheard. Ask whoever looks after Kopje for https.
first-run-code = Code that Kopje printed where it was started
stand-in-title = Today you stand in
stand-in-none = Nothing is given to you today
stand-in-lead = Every step is in the plan; what you tick and mark is kept as yours. If something does not go, skip it: it comes back by itself.
stand-in-ask = Ask whoever invited you which sections you take, and for which day.
stand-in-print = Print all of them
stand-in-no-plan = No lesson is planned here. Sing what they know best, and tell the teacher.
viewer-title = Reports
viewer-none = No report was made for you yet. When there is one it stands here.
far-type = Type this number on the teaching screen
far-how = There: Teach, then “Another device”. The number changes after ten minutes.
far-other = Another device
far-code = Number on that screen
far-pair = Show there
far-where = On the other device open this address with /projector behind it.
far-end = Let a screen go
set-up-privacy = What is kept of children, and who looked
privacy-title = What is kept of children
privacy-lead = Of a child Kopje keeps a name to display, its class, when it came and left, and its marks; nothing else. The school's rules and the law of your place come first.
privacy-looked = Who looked
privacy-nobody = Nobody has looked at a child's page or taken data out yet.
privacy-when = When
privacy-who = Who
privacy-what = What
privacy-child = Child
privacy-accesses-child_looked_at = looked at marks
privacy-accesses-child_taken_out = took everything out
privacy-accesses-backup_taken_out = took a backup out
privacy-how-long = How long
privacy-years = Years after a child has left, then it is erased
privacy-days = Days for which it is known who looked
privacy-waiting = { $n ->
    [one] One child has left and is still here; it is erased on { $day }.
   *[other] { $n } children have left and are still here; the first is erased on { $day }.
  }
privacy-none-waiting = No child that has left is here.
privacy-keep = Keep this
privacy-kept = Kept.
privacy-erased = Erased
privacy-erase-how = A child is erased in the ledger: press a stone of its row, then “This child on the roll”.
privacy-erased-one = No. { $id }, on { $moment }.
privacy-still-in = Still in the backups of { $days }; these go by themselves, and what is brought back from them is erased again.
privacy-in-none = In no backup here any more.
privacy-end = The end
privacy-end-open = Erase the whole school…
privacy-end-what = All sections, children, marks, plans and songs of your own go for good, and so do the backups that Kopje made here. Copies that you keep elsewhere stay: they are yours to destroy.
privacy-end-name = To be sure, write “{ $name }”
privacy-end-do = Erase everything
privacy-end-not = Leave it
child-everything = Everything that is kept of this child:
child-page = to read
child-json = as JSON
child-erase = Erase this child…
child-erase-what = Its name and all its marks go for good; the class stays as it was taught. It cannot be taken back.
child-erase-sure = Erase { $name } for good
child-erased = Erased. Nothing of it comes back from a device or a backup.
child-notes = Its name may stand in what you wrote after these lessons:
child-erased-close = Close
stale-title = Two wrote the same
stale-yours = Yours
stale-theirs = Here now
stale-same = Nothing that you wrote differs from what is here now.
stale-more = { $n ->
    [one] and one more difference
   *[other] and { $n } more differences
  }
stale-take-theirs = Take what is here now
stale-keep-mine = Keep mine instead
fields-name = name
fields-time_zone = time zone
fields-minutes = minutes
fields-meetings = meetings
fields-weekday = weekday
fields-starts = starts
fields-upper = second grade
fields-grade = grade
fields-first = first day
fields-last = last day
fields-terms = terms
fields-holidays = holidays
fields-cycle = kind of timetable
fields-concepts = things in the sequence
fields-facts = about the song
fields-phase_words = words for phases
fields-counts = how many there are
fields-left_years = years after leaving
fields-log_days = days of the list

# The ledger, changed by hand; children and reports; questions.
ledger-strand = Strand
ledger-strand-all = All strands
ledger-phase = Concepts
ledger-phases-all = All
ledger-phases-named = With a name here
ledger-phases-unnamed = Without a name yet
ledger-shows = Children
ledger-show-all = Everybody
ledger-show-due = Somebody is due
ledger-show-not_heard = Not heard
ledger-show-not_yet = Not there yet
ledger-by = Order
ledger-order-name = By name
ledger-order-wait = Who waits longest
ledger-shown = { $n } of { $of } children
wall-ladder = Tones from above: { $tones }
wall-formation-all = Everybody at a place
wall-formation-circle = A ring
wall-formation-halves = Two halves
wall-formation-partners = Partners
wall-formation-groups = Small groups
wall-formation-single = One in front
wrong-class = { $n ->
    [one] One mark was made in this lesson. Was another class in the room?
   *[other] { $n } marks were made in this lesson. Was another class in the room?
  }
wrong-class-which = Class that was in the room
wrong-class-would = { $n } of them move there, to the same day; { $gone } are of children who do not belong there, and are taken back.
wrong-class-move = Move them
wrong-class-done = { $moved } moved, { $gone } taken back. The record keeps both.
ledger-print = On paper
ledger-beside = The grade side by side
ledger-beside-concept = Concept
ledger-beside-of = { $n } of { $of }
ledger-beside-none = nobody heard
ledger-sisters = Beside it
ledger-sister-nothing = Nothing heard or named there.
mark-add = Add a mark
mark-result = How it went
mark-way = How
mark-help = Help
mark-helps-none = no help
mark-helps-model = with a model
mark-helps-signs = with signs or pointing
mark-voices = Voices
mark-day = Day
mark-keep = Add it
mark-correct = Correct
mark-take-back = It does not count
mark-together = all at once
mark-game = game { $answers }
mark-by-hand = told later
word-say = Say it yourself
word-how = Your word stands beside what the marks say and counts before them, until you drop it.
word-level = You say
word-why = Why (may be empty)
word-keep = Say so
word-drop = Drop your word
word-stands = You said on { $day }: { $level }.
word-beside = By the marks:
word-said = { $standing }, as the teacher says
word-legend = as you said
child-whole = The whole child
child-strand = { $strand }: { $now }
child-next = Next:
child-growth = Over the year
child-stands = Today
child-due = due
child-word = your word
child-never = Nobody listened yet
child-marks = What shows it
child-all-marks = All { $n } marks
child-care = How the name is said, and what it is left out of
child-say = How the name is said
child-without-touch = Without touch: signs instead of hands, no tapping on shoulders
child-without-alone = Not alone: it is heard in a pair or with everybody
child-without-how = Your choice; no reason is asked for or kept. What a school has agreed on goes before this.
child-care-kept = Kept.
report-title = Report
report-of = Report: { $name }
report-fresh = Put together today, not kept yet
report-version = Kept as number { $n }, { $when }, { $by }
report-older = What was heard since is not in it.
report-anew = Put it together anew
report-nothing = Nothing was heard yet, so there is nothing to report.
report-keep = Keep this report
report-kept = Kept as number { $n }. What was printed before stays as it was.
report-changed = Changed and not kept yet.
report-words = The school’s own sentences
report-words-how = {"{"}name{"}"} and {"{"}things{"}"} are filled in. Empty: as it stands in grey.
report-words-kept = Kept for all reports from now on.
report-never = A report gives no grade, compares with nobody, and says of what nobody heard that nobody heard it.
report-all-of = All reports to print
report-csv = Reports as a table
asked-title = Questions
asked-question-not_heard = Who was not heard alone since …
asked-question-needs = Who needs … again
asked-question-missing = What keeps … from …
asked-question-fading = What fades in …
asked-question-refresh = Which songs refresh the most in …
asked-question-drift = Where the sections of … differ
asked-question-left_over = What … is still owed
asked-question-left_out = Who is kept out of touch, or of being alone
asked-kept-out = { $kind ->
    [touch] no touch
   *[alone] not alone
  }
asked-no-game = Nothing of it today.
asked-section = Section
asked-concept = Concept
asked-grade = Grade
asked-day = Day
asked-found = { $n ->
    [0] Nobody and nothing: that is the whole answer.
    [one] One answer
   *[other] { $n } answers
  }
asked-last = last on { $day }
asked-never = never yet
asked-named = It has its name there already.
asked-in-no-song = In no song they know
asked-lesson = lesson { $n } of { $of }: { $concepts }
asked-nothing-new = nothing at work that day
asked-state-partly = done in part
asked-state-skipped = skipped
asked-state-not_reached = not reached
privacy-accesses-report_taken_out = took a report out
privacy-accesses-ledger_taken_out = took the ledger out

# Seats and groups.
seats-title = Seats
seats-kind-rows = Rows
seats-kind-circle = Circle
seats-kind-plan = A plan of your own
seats-across = In a row
seats-how = Tap two places and they change. It is the order in which one may hear, hand out and line up.
seats-empty = Empty place
groups-title = Groups
groups-of = Children in each
groups-concept = By what they can
groups-by = How
groups-how-chance = By lot
groups-how-mixed = Mixed: who has it with who has not
groups-how-alike = Alike: neighbours in what they can
groups-tasks = Tasks, with commas
groups-draw = Draw
groups-tones = A tone for each group
groups-helps = { $name } helps
groups-fair = Drawn anew each time, with partners that were not together in the last draws where that can be.

# Without a network.
app-as-of = Kopje does not answer. What you see is from this device, as of { $when }; marks are kept and sent later.
along-title = Taken along, and brought in
along-what-children = Children
along-what-marks = Marks
along-what-lessons = Lessons
along-bring = Marks from a table
along-how = As the marks above are written: child, section, concept, way, result, day. The same table brought twice changes nothing.
along-busy = It is being read.
along-brought = { $n } taken, { $known } were here already.
along-withdrawn = { $n } did not count where they come from.
along-line = Line { $n }:
along-more = and { $n } more

# The rules of the ledger.
rules-title = Rules of the ledger
rules-lead = The rules stay; their numbers are yours. Look first at what a change would do; every standing is then worked out anew from the same marks.
rules-good-before = Secure: of the newest
rules-newest = marks
rules-good-between = marks made alone and without help at least
rules-good = secure
rules-good-after = are secure, the newest among them.
rules-weeks-before = To be heard again: after
rules-weeks = weeks
rules-weeks-after = weeks with lessons in which nobody listened to it alone.
rules-ready-before = A class is ready when
rules-ready = in a hundred
rules-ready-after = in a hundred of those heard have it.
rules-for = In { $concept } instead:
rules-drop = Drop this
rules-other = Another number for
rules-add = Add
rules-look = See what would change
rules-shipped = As it ships
rules-kept = Kept. Every standing was worked out anew.
rules-would = { $n ->
    [0] No standing of a child would be another one
    [one] One standing of a child would be another one
   *[other] { $n } standings of children would be other ones
  }
rules-nothing-turned = No answer on a section would turn.
rules-take = Change the rules
rules-not = Leave them

# What the wall shows.
keys-reveal = Show the sign and the name
teach-reveal = Show its name
teach-hide = Hide its name

## practice
practice-title = Practice
practice-heading = Practice with { $section }
practice-whose = For
practice-what = What they can read
practice-sort-level = Levels
practice-sort-melody = Melody
practice-sort-rhythm = Rhythm
practice-read = { $clean } of { $read } clean
practice-routine = Routine of reading
practice-routine-set = Routine
practice-step-orient = Find home
practice-step-look = Look in silence
practice-step-chant = Speak the rhythm
practice-step-inside = Hear it inside
practice-step-sing = Read
practice-step-again = Again, without stopping
practice-seconds = { $n } s
practice-do = {" "}· do is { $do }
practice-begin = Give me one
practice-on = Go on
practice-key-on = Next step
practice-new = New one, same level
practice-harder = Harder
practice-easier = Easier
practice-harder-by = harder: { $what }
practice-easier-by = easier: { $what }
practice-change-bars = how long it is
practice-change-motion = how far it moves
practice-change-figures = the figures
practice-change-dose = how much is new
practice-change-meter = the meter
practice-change-do = where do is
practice-change-level = the level
practice-clean = Clean
practice-broke = It broke
practice-press-place = Press the tone at which it broke.
practice-broke-at = In bar { $bar }, from { $one } to { $two }. The least help first:
practice-broke-bar = In bar { $bar }. The least help first:
practice-help-from_bar = Once more from bar { $bar }, no pitch given
practice-help-hold = Hold the tone before
practice-help-two_tones = The two tones alone
practice-help-turned = The other way round
practice-help-octave = In another octave
practice-help-model = The model: sing or play it
practice-that-helped = That helped
practice-leave-it = Leave it there
practice-orient = Find home
practice-syllables = Syllables shown
practice-shown-every = Syllables: all
practice-shown-skips = Syllables: after skips
practice-shown-first = Syllables: the first
practice-shown-none = Syllables: none
practice-model = Play it (counts as help)
practice-project = On the wall
practice-wall-open = The wall is open
practice-wall-waits = Here the exercise will stand.
practice-back = Take the last one back
practice-advice-read = Next:
practice-advice-again = Once more:
practice-advice-up = Go up:
practice-advice-isolate = Stay:
practice-help-now-every = With help: all syllables still.
practice-help-now-skips = With help: syllables after skips are enough now.
practice-help-now-first = With help: the first syllable is enough now.
practice-weak = Weak intervals
practice-weak-none = Nothing has failed yet. What breaks while they read is counted here.
practice-weak-move = From → to
practice-weak-failed = Failed lately
practice-weak-of = { $failed } of { $met } readings
practice-warm-up = A warm-up for the first, in today's key
practice-orientation = Find home by
practice-orientations-tonic = the tonic pattern
practice-orientations-scale = a falling scale
practice-orientations-none = nothing
practice-look-seconds = Look in silence
practice-set-chant = Speak the rhythm first
practice-set-inside = Hear it inside, with signs
practice-set-again = Sing it again without stopping
practice-set-models = I sing and sign along
practice-models-why = While they read, Kopje plays nothing, points at nothing and shows no syllables unless you ask; what you ask for is kept as help.
practice-paper = On paper
practice-paper-why = Different exercises of this kind on one sheet, and their key on the next. None of them comes again as reading.
practice-paper-count = How many
practice-paper-print = Make the sheets
practice-file-musicxml = MusicXML
practice-file-abc = ABC
practice-file-mid = MIDI
practice-form = How
practice-form-read = From notes
practice-form-signs = From signs
practice-form-echo = Echo
practice-form-cards = As cards
practice-form-change = It changes
practice-form-write = Write it
practice-keep = Keep in the book
practice-kept = ✓ In the book: { $title }
practice-wall-line = Read
cards-title = The bars as cards
cards-card = Card { $n }
cards-next = Next card
cards-mix = Lay them anew
cards-how = Read card by card, or the whole row. Laid anew, it is another line.
change-title = A line that changes
change-of = Line { $n } of { $of }.
change-new = New in bar { $bar }, beat { $beat }: { $figure }.
change-next = Change one figure
change-again = From the beginning, other changes
change-back = One back
change-how = They read without stopping; only one figure is other than before.
write-title = Writing what is heard
write-stage = Stage
write-stages-copy = copy it
write-stages-complete = complete it
write-stages-write = write it
write-how-copy = The line is seen: write it down as it stands.
write-how-complete = Every second bar stands there: fill in the others by ear.
write-how-write = By ear alone. Hear it as often as they need.
write-choose = Figures or tones to write
write-key = Write this figure or tone, by its number
write-back = Take the last away
write-check = Check it
write-bar = Bar { $n }: { $what }
write-right = { $right } of { $of } right.
write-right-beats = Counted by beats, without what was given.
write-right-tones = Counted by tones, without what was given.
signs-how = What is signed
signs-hows-line = this line
signs-hows-wider = few tones, one more each time
signs-hows-child = a child leads
signs-child = These tones are the set. The child shows them in any order; the class sings what it sees. Was it clean?
signs-tell = It is over: what was it?
signs-clean = Clean: one tone more
signs-clean-all = Clean: another row
signs-broke = Not yet: one tone fewer
signs-set = The set: { $tones } ({ $size } of { $most } tones)
signs-wall = Sing what the hand shows
echo-how = What the class answers
echo-hows-same = the same
echo-hows-end = another end
echo-hows-answer = an answer of their own
echo-lead-end = The call stops before its last bar: they sing it on to an end of their own.
echo-lead-answer = The call is a question, half as long: they invent the other half and come home.
echo-length = { $bars } of { $of } bars are heard, then as long a silence for the answer.
station-title = Read it
station-lead = { $n } lines to read. Look, read each aloud, then hear it and say whether you had it just so.
station-look = Look in silence: { $n }
station-read = Now read it aloud.
station-hear = I have read it: let me hear it
station-again = Once more
station-asks = Was yours just so?
station-so = Just so
station-not = Not yet
station-key = Hear it, once it was read
station-score = { $right } of { $of } just so, in { $seconds } seconds.
bent-ladder = on the ladder
bent-keys = on the keys
bent-signed = with its sign
bent-plain = without
practice-sign-now = The sign now
practice-sign-next = Next sign
practice-sign-of = { $n } of { $all }
practice-signs-how = Lead in silence: a hand at its height for each tone. The class sings it, or hears it inside; the notes come after.
practice-signs-over = That was the line. Was it right?
practice-reveal = Show the notes
practice-call = Call
practice-echo-how = { $calls ->
    [one] The call sounds once;
   *[other] The call sounds { $calls } times;
  } the class answers each time. The notes come after.
practice-nothing = { $section } cannot name anything yet that can be read. Tick a part that names something as done, or say what they bring.
practice-nothing-do = What they bring

## Rounds of questions
practice-sort-round = Questions
round-kind-place = Name the place
round-kind-find = Do is here: where is so?
round-kind-lie = How two tones lie
round-kind-letter = Letter names
round-kind-direction = Up, down or same
round-kind-move = Step or skip
round-kind-same = Same or not
round-kind-line = Which line was it?
round-kind-tones = Which tones?
round-kind-home = Major or minor
round-kind-sign = With or without its sign
round-kind-along = Along a song
round-kind-song = Guess the song
round-lead-place = A note on a staff: they name its line or space, above or below.
round-lead-find = Do gets a place on the staff; they find where another tone lies then.
round-lead-lie = Two tones lie both on lines, both in spaces, or one on each: the rule holds wherever do is.
round-lead-letter = A note with a clef: they say its letter.
round-lead-direction = Two tones sound: did it go up, down, or stay?
round-lead-move = Home sounds, then two tones: the same again, a step, a skip or a leap.
round-lead-same = A short row sounds twice: was anything else the second time?
round-lead-line = A line sounds, three are written: which one was it?
round-lead-tones = A row sounds: which of the tones with names are in it?
round-lead-home = Home sounds before every tune, in the tune's own tonality. Some change their home on the way.
round-lead-sign = The tune is written with its flat or sharp. Was it heard with it, or as it would be if that were forgotten?
round-lead-along = Move by move along a song: what does it do next, and where does it land? Give them time to think.
round-lead-song = Clues to a song they have sung, each saying more than the one before: rhythm, line, syllables, words.
round-lines = Lines
round-clef = Clef
round-clef-g = treble
round-clef-f = bass
round-song = Song (the one sung last, if none)
round-count-of = Questions
round-begin = Begin
round-of = { $n } of { $of } · { $right } right
round-key-on = Hear it; then the next
round-key-answer = Their answer, by its number
round-hear = Hear it
round-hear-after = Hear both
round-clue = One more clue
round-next = Next
round-end = Finish
round-how = Press what they say; the answer shows then.
round-right = Right.
round-not-right = Not so.
round-score = { $right } of { $of } in { $seconds } s
round-luck = Luck alone gets to { $least } of { $of } or more less than once in twenty times.
round-best = The best of this class: { $right } of { $of } in { $seconds } s.
round-last = { $times ->
    [one] Played once
   *[other] Played { $times } times
  }, last { $right } of { $of } in { $seconds } s.
round-again = Again
round-count = Count it for { $concept }: { $result }
round-practice = This is practice. It counts for the class only when you say so; the ledger of a child has a place of its own for a game.
round-n = { $n } of { $of }
round-short = { $right } of { $of }
round-station = At the station
round-station-open = Open a station
round-station-why = For one child or a pair: the same questions, large, on a screen of their own, without names.
round-station-last = The last was played at the station: { $right } of { $of } in { $seconds } s. As a mark: { $result }.
round-whose = Whose was it?
round-take = Take it for { $concept }
round-taken = Kept for { $name }: { $concept }.
teach-exercise-comes = A new line for this class is on its way.

## Tapping, and how an exercise is written
practice-form-tap = Tap it
tap-title = Tap the line
tap-tempo = Tempo
tap-swing = Eighths
tap-swings-straight = straight
tap-swings-light = light swing
tap-swings-full = swing
tap-from = From bar
tap-to = To bar
tap-clicks = Clicks all through
tap-loop = Again and again
tap-start = Count in
tap-stop = Stop
tap-measure = Measure this device
tap-delay-is = This device tells taps { $n } ms late; that is reckoned in.
tap-state-counting = One bar is counted in …
tap-state-tapping = Tap!
tap-state-measuring = Tap along with every click.
tap-pad = Tap here, or the space key
tap-right = { $n } of { $of } on time.
tap-extra = { $n ->
    [one] One tap belongs
   *[other] { $n } taps belong
  } to no note.
tap-all-late = The whole line lies about { $n } ms late: measure this device, or listen to the count.
tap-all-early = The whole line lies about { $n } ms early: listen to the count.
tap-timing-on = on time
tap-timing-early = early
tap-timing-late = late
tap-timing-missed = missed
tap-shares = Under each note: by how much of a beat.
staff-written = Written as
staff-rhythm-notes = notes
staff-rhythm-sticks = sticks
staff-rhythm-boxes = beat boxes
staff-staff-usual = treble clef
staff-staff-bass = bass clef
staff-staff-1 = one line
staff-staff-2 = two lines
staff-staff-3 = three lines
staff-staff-5 = five lines, no clef
staff-do = Do lies
staff-meter = Meter
staff-meter-number = two numbers
staff-meter-note = over a note
staff-below = below the lines
staff-above = above the lines
staff-line = on line { $n }
staff-space = in space { $n }
practice-calls = An echo is called
practice-times = { $n ->
    [1] once
    [2] twice
   *[other] { $n } times
  }
practice-set-spoken_rests = Rests are spoken, in our own word
practice-set-easy_end = A set ends with something easier
practice-paper-form = As
practice-paper-forms-sheet = lines to read
practice-paper-forms-cards = cards to cut
practice-paper-forms-complete = bars to complete
practice-paper-forms-write = lines to write by ear
practice-staves = Staff paper
practice-staves-gap = Lines apart
practice-mm = { $n } mm
practice-staves-open = Open the staff paper

## Instruments: layers, the recorder
places-instruments = Instruments
instruments-title = Instruments
instruments-heading = Instruments with { $section }
instruments-shelves = Shelves
instruments-shelf-layers = Layers
instruments-shelf-recorder = Recorder
layers-meter = Meter
layers-phrase = Phrase
layers-bars = { $n ->
    [one] 1 bar
   *[other] { $n } bars
  }
layers-tempo = { $n } a minute
layers-play = Play
layers-stop = Stop
layers-key-play = Play the layers, or stop
layers-count-in = Count-in …
layers-bar = Bar { $n }
layers-add = Add a layer
layers-or-words = or say it in words:
layers-told = Do they fit?
layers-enter = Let them come in so
layers-kept = Kept
layers-name = Name
layers-keep = Keep
layers-of = { $n ->
    [one] 1 layer
   *[other] { $n } layers
  }
layers-drop = Drop “{ $name }”
layers-dropped = “{ $name }” was dropped.
layers-sum = All together
layers-sum-said = { $n ->
    [0] All layers as one line: no beat is silent.
    [one] All layers as one line: one beat is silent.
   *[other] All layers as one line: { $n } beats are silent.
  }
layers-meet = together again
layers-care = Drums and metals are loud in a small room: short rounds, ears covered if the school says so.
layer-new = Drum
layer-name = Layer
layer-family = Family
layer-family-skin = skin
layer-family-struck-wood = struck wood
layer-family-scraped = scraped
layer-family-shaken = shaken
layer-family-metal = metal
layer-family-barred = bars
layer-family-body = body
layer-family-speech = speech
layer-box = Beat { $beat }, part { $place } of { $of }
layer-beats = { $n ->
    [one] 1 beat
   *[other] { $n } beats
  }
layer-long = Loop
layer-enters = From bar
layer-hands = In their hands
layer-hangs = hangs over
layer-drop = Take out
layer-dropped = The layer was taken out.
words-label = A sentence for a rhythm
words-ask = Make a rhythm
words-pick = Press one to add it as a layer. Heavy boxes are stressed.
recorder-known = Tones they know
recorder-view = Seen by
recorder-view-player = the player
recorder-view-mirror = a mirror
recorder-system = Holes
recorder-system-baroque = baroque
recorder-system-german = German
recorder-written = Written tones; they sound an octave higher. Check F and F♯ against the maker’s chart.
recorder-playable = { $n ->
    [0] None of { $of } songs with a tune can be played as it is written.
    [one] One of { $of } songs with a tune can be played as it is written.
   *[other] { $n } of { $of } songs with a tune can be played as they are written.
  }
recorder-next = The next tone
recorder-opens = { $n ->
    [one] opens 1 song
   *[other] opens { $n } songs
  }
recorder-nothing = No single tone opens another song.
recorder-care = One mouthpiece, one child; wash and dry between players; stop when somebody is dizzy.
pipe-thumb = thumb
pipe-said = thumb hole { $thumb ->
    [closed] closed
    [half] half open
   *[open] open
  }; holes closed: { $holes }
instruments-shelf-bars = Bars
bars-song = Song
bars-do = Do
bars-homes = No swap with do = { $homes }.
bars-set = Bars for { $title }
bars-bar = { $bar }, { $state ->
    [on] put on
    [off] taken off
   *[there] there
  }, { $degree }
bars-on = on
bars-off = off
bars-written = Written tones: alto bars sound as written, a soprano set an octave higher, a bass set an octave lower.
bars-borduns = For two hands
bars-no-bordun = No home was found, or its bars are not there: no bordun is proposed.
bars-key-hear = Hear the first bordun that fits
bars-care = Mallets stay low between turns; loosen the wrist, never grip hard.
bordun-chord = chord
bordun-broken = broken
bordun-level = low and high
bordun-crossover = crossing over
bordun-moving = moving
bordun-left = left
bordun-right = right
bordun-crosses = The left hand goes over the right.
bordun-hear = Hear it: { $name }
recorder-song = A song
recorder-spoken = It is only spoken: nothing to play.
recorder-lacks = { $tones } missing.
recorder-has-all = Every tone is known.
recorder-keys = With these tones it can be played with do = { $keys }.
recorder-no-key = In no key does it lie on these tones.
recorder-hardest = Hardest change: { $one } to { $two }, { $n ->
    [one] one hole
   *[other] { $n } holes
  }.
letters-label = Letters from elsewhere, line by line
letters-check = Hold against the tune
letters-more = And { $n } more.
letters-agree = All { $n } letters agree with the tune.
fault-title = What went wrong?
fault-heard = What was heard
fault-look = Look { $n } of { $of }:
fault-holes = Holes { $holes }; T is the thumb’s.
fault-yes = Yes, so it is
fault-no = No
fault-none = None of these. Let a child whose tone is clean play it on the same pipe: it may be the pipe.

# --- moves and cards
instruments-shelf-moves = Moves
instruments-shelf-cards = Cards
moves-formation = How they stand
moves-formation-ring = A ring
moves-formation-lines = Two lines
moves-formation-partners = Partners
moves-formation-free = Free
moves-formation-chairs = On chairs
moves-run = Run along
moves-stop = Stop
moves-key-run = Run the dance along, or stop it
moves-bars = bars { $first }–{ $last } · { $beats } beats
moves-needs = What it needs
moves-children = Children
moves-prop = In their hands
moves-prop-none = Nothing
moves-prop-scarf = Scarves
moves-prop-elastic = One elastic
moves-prop-hoop = Hoops
moves-touch = Partners may touch
moves-seated = from a chair: { $move }
moves-own = Leave a part to the children
moves-care = Mind
deck-how = What to do
deck-how-asked = Asked one by one
deck-how-laid = Laid in rows
deck-how-print = To print
deck-family = How it sounds
deck-family-all = All of them
deck-family-struck = Struck
deck-family-scraped = Scraped
deck-family-shaken = Shaken
deck-family-plucked = Plucked
deck-family-bowed = Bowed
deck-family-blown = Blown
deck-family-keys = Played by keys
deck-anew = In another order
deck-key = Name { $n }
deck-following = The next one
deck-which = Which one is it? { $n } of { $of }
deck-right = Yes: { $name }. It is { $sounds }.
deck-wrong = This one is the { $name }: { $sounds }. Compare it with the { $other }.
deck-over = { $right } of { $of } named.
deck-parts = On paper
deck-parts-three = In three parts
deck-parts-two = In two parts
deck-lost = Only a lost one
deck-lost-none = The whole set
deck-print = Print
deck-print-how = { $n } instruments: picture with name, picture, name, each to cut; a list of numbers shows what is missing.
