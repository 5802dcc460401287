# Reasons: why something is so. Sentences end with a stop; terms stand inside other sentences.

## Lists and days
list_and = { $before } and { $last }
list_more = { $count } more
day_short = { DAY($day) }
said = { $text }

## A child's standing
standing_not_heard = Not heard yet.
standing_secure = Secure alone on { $days }.
standing_once = Showed it once alone ({ DAY($day) }).
standing_due = Not heard alone since { DAY($day) }: due for review.
standing_nearly = Nearly: { $result ->
    [secure] secure last time
    [nearly] almost there last time
   *[not_yet] not yet last time
  }, { $count ->
    [0] never yet heard alone without help
    [1] heard alone { $count } time
   *[other] heard alone { $count } times
  }.
standing_not_yet = Not yet on { DAY($day) }; { $good } of the last { $count } went well.
standing_in_way = { $way ->
    [hear] Hearing it
    [sing] Singing or playing it
    [read] Reading it
    [write] Writing it
   *[create] Making with it
  }: { LOW($said) }

## A section's readiness
readiness_nobody_heard = { $roll ->
    [0] Nobody is on the roll yet.
   *[other] Nobody heard yet.
  }
readiness_count = { $once ->
    [0] { $showed } of { $heard } heard are secure
   *[other] { $showed } of { $heard } heard showed it: { $secure } secure, { $once } once
  }
readiness_ready = Ready: { readiness_count }, { $roll } on the roll.
readiness_teach_again = Teach again: { readiness_count }, { $roll } on the roll.
readiness_split = { $showed } ready, { $rest } not: teach the smaller group again. ({ readiness_count }, { $roll } on the roll.)
readiness_hear_more = Hear { $more ->
    [1] 1 more child
   *[other] { $more } more children
  }: { readiness_count }, { $roll } on the roll.

## Whom to hear
rota_never = Never heard alone.
rota_since = Waiting since { DAY($day) }.
rota_not_heard_in_this = Not heard in this.
rota_unsure = { $state ->
    [nearly] Nearly, so far.
    [once] Showed it once.
    [due] Due for review.
    [partly] Heard in one way only.
    [secure] Secure.
   *[not_yet] Not yet, so far.
  }

## What children are told, in the school's own words where it has some
word_phrase = phrase
word_phrases = phrases
word_rest = rest
word_rests = rests
word_resting_tone = resting tone
word_home = home

## Where a song is at home
mode = { $mode ->
    [major] major
    [minor] minor
   *[other] { $mode }
  }
tonality_unpitched = No pitched notes.
tonality_teacher = You said so.
tonality_parallel = This { $word_phrase } has { $tone } instead of { $instead }: do moves.
tonality_stated = The file says { $mode }, and it ends on { $tone }.
tonality_stated_differs = The file says { $mode }, but it ends on { $tone }.
tonality_open = Too few tones to rest on any of them.
tonality_last_tone = It ends on { $tone }, which also weighs most.
tonality_last_tone_light = It ends on { $tone }, but { $other } weighs more.
tonality_weight = It ends on { $tone }; of { $do } and { $la }, { $best } weighs more.
tonality_weighed = It ends on { $tone }{ $same ->
    [1] , and
   *[0] ; yet
  } first beats, ends of { $word_phrases } and long tones speak for { $best }.
tonality_weighed_without_key = The file gives no key. First beats, ends of { $word_phrases }, long tones and the last tone speak for { $best }.
tonality_dorian = { CAP($fi) } always and { $fa } never over { $la }: heard as dorian, { $word_resting_tone } { $re }.
tonality_few_tones = Fewer than four tones: no tonality yet.
tonality_tone_missing = Without { $tone } the tonality stays open.

## How phrases differ
phrase_moved = { $name } is { $base }, { $moved }.
phrase_same = { $name } is the same as { $word_phrase } { $number }.
phrase_differs = { $name } differs from { $base }{ $more ->
    [1] { " " }in { $count } places: { $named } …
   *[0] : { $named }.
  }
moved_by = { $steps ->
    [1] a step
    [2] a third
    [3] a fourth
    [4] a fifth
    [5] a sixth
    [6] a seventh
    [7] an octave
   *[other] { $steps } steps
  } { $way ->
    [up] higher
   *[down] lower
  }
differs_tone = { $tone } instead of { $instead } { $where }
differs_longer = { $tone } is longer { $where }
differs_shorter = { $tone } is shorter { $where }
differs_split = { $tone } is split for a syllable { $where }
differs_added = { $tone } is added { $where }
differs_joined = two tones { $tone } are joined { $where }
differs_left_out = { $tone } is left out after { $before }
the_beginning = the beginning
a_sound = a sound
where_last = on the last tone
where_upbeat = in the upbeat
where_bar = in bar { $bar } { $on ->
    [1] on
   *[0] after
  } beat { $beat }

## How hard a song is
axis_altered = altered: { $tones }
axis_half_steps = half steps by { $tones }
axis_tones = { $count ->
    [one] { $count } tone
   *[other] { $count } tones
  }, { $octaves ->
    [0] no half step
   *[1] with tones below or above { $do } to { $la }
  }
axis_motion = { $skips ->
    [one] { $skips } skip
   *[other] { $skips } skips
  }, { $leaps ->
    [one] { $leaps } leap
   *[other] { $leaps } leaps
  } of { $moves ->
    [one] { $moves } move
   *[other] { $moves } moves
  }
axis_unnamed = a figure without a name in bar { $bar }
axis_silent = nothing sounds
axis_meters = changes: { $meters }
axis_key_changes = the key changes
axis_signs = { $count ->
    [0] no sign
    [one] { $count } sign
   *[other] { $count } signs
  }
axis_range = { $count ->
    [one] { $count } half step
   *[other] { $count } half steps
  }

## Bars that do not add up
beats_half = half a beat
beats = { $count ->
    [one] { $count } beat
   *[other] { $count } beats
  }
beats_and_half = { $whole } and a half beats
beats_part = { $whole ->
    [0] { $part } of a beat
   *[other] { $whole } { $part } beats
  }
bar_sum = Bar { $bar } has { $beats }, the meter asks for { $asked }.
pickup_not_completed = The upbeat is not paid back: bar { $bar } would need { $beats }.
repair_rest = A { $word_rest } of { $beats } at its end.
repair_longer = Its last { $what ->
    [rest] { $word_rest }
   *[tone] tone
  } { $beats } longer.
repair_shorter = Its last { $what ->
    [rest] { $word_rest }
   *[tone] tone
  } { $beats } shorter.
repair_longest_shorter = Its longest tone { $beats } shorter.
repair_drop_rest = Without its last { $word_rest }.
repair_last_tones = Its last tones belong to the next bar.
repair_first_tones = The first tones of the next bar belong to it.
repair_meter = This bar is in { $meter }.

## What the reader of a file did
read_four_parts = The file has { $count ->
    [1] one more part
   *[other] { $count } more parts
  } than the four that are kept; the first with words were kept.
read_part_broken = { $count ->
    [1] One part
   *[other] { $count } parts
  } of the file could not be read and { $count ->
    [1] was
   *[other] were
  } left out.
parts_unequal = In bar { $bar } the parts are not equally long; from there on they may not stand together.
parts_end_apart = A part ends before another: it is silent from bar { $bar } on.
read_second_voice_in_line = A second voice in the same line was not read.
read_first_of_voices = Of { $count } voices the first was read.
read_top_of_chords = Of each chord only the top tone was read.
read_without_meter = The file gives no meter; it was read in 4/4.
read_without_key = The file gives no key; do was worked out from the tones.
read_spelled_in_c = The file gives no key; it was spelled as in C.

## Words on tones
verse_sum = { $syllables ->
    [one] { $syllables } syllable
   *[other] { $syllables } syllables
  } on { $tones ->
    [one] { $tones } tone
   *[other] { $tones } tones
  }{ $held ->
    [0] { "" }
    [1] ; held over more than one in bar { $held_bars }
   *[other] ; held over more than one in bars { $held_bars }
  }{ $other ->
    [0] { "" }
    [1] ; not set as verse 1 in bar { $other_bars }
   *[other] ; not set as verse 1 in bars { $other_bars }
  }.

## Figures, meters, tone sets
figure_quarter = quarter note
figure_two_eighths = two eighths
figure_four_sixteenths = four sixteenths
figure_eighth_two_sixteenths = eighth and two sixteenths
figure_two_sixteenths_eighth = two sixteenths and eighth
figure_dotted_eighth_sixteenth = dotted eighth and sixteenth
figure_sixteenth_dotted_eighth = sixteenth and dotted eighth
figure_sixteenth_eighth_sixteenth = sixteenth, eighth, sixteenth
figure_triplet = triplet
figure_half = half note
figure_dotted_half = dotted half
figure_whole = whole note
figure_syncopation = syncopation
figure_dotted_quarter_eighth = dotted quarter and eighth
figure_eighth_dotted_quarter = eighth and dotted quarter
figure_beat_rest = beat { $word_rest }
figure_half_beat_rest = half-beat { $word_rest }
figure_half_rest = half { $word_rest }
figure_bar_rest = bar { $word_rest }
figure_upbeat = upbeat
figure_tie = tie
figure_dotted_quarter = dotted quarter (6/8)
figure_three_eighths = three eighths (6/8)
figure_quarter_eighth = quarter and eighth (6/8)
figure_eighth_quarter = eighth and quarter (6/8)
figure_six_sixteenths = six sixteenths (6/8)
figure_siciliano = dotted eighth, sixteenth, eighth (6/8)
figure_dotted_half_compound = dotted half (6/8)
figure_compound_beat_rest = beat { $word_rest } (6/8)
figure_unnamed = the figure { $figure }
meter_of = { $meter } meter
tone_set = { $name ->
    [single-tone] single tone
    [bitonic] bitonic
    [tritonic] tritonic
    [tetratonic] tetratonic
    [pentatonic] pentatonic
    [do-pentatonic] do-pentatonic
    [re-pentatonic] re-pentatonic
    [mi-pentatonic] mi-pentatonic
    [so-pentatonic] so-pentatonic
    [la-pentatonic] la-pentatonic
    [major-pentachord] major pentachord
    [minor-pentachord] minor pentachord
    [five-tone] five tones
    [hexachord] hexachord
    [six-tone] six tones
    [major] major
    [natural-minor] natural minor
    [dorian] dorian
    [phrygian] phrygian
    [lydian] lydian
    [mixolydian] mixolydian
    [locrian] locrian
    [melodic-minor] melodic minor
    [harmonic-minor] harmonic minor
    [chromatic] chromatic
   *[seven-tone] seven tones
  }{ $more ->
    [1] { " " }and chromatic tones
   *[0] { "" }
  }
tone_as_home = { $tone } as { $word_home }

## Keys, voices, instruments
voice_of = { $grade ->
    [0] kindergarten
   *[other] grade { $grade }
  }
range_written = Lies in their range as written (do = { $do }).
range_moved = Lies in their range when do = { $do }.
range_outside = Nearest to their range when do = { $do }, yet some tones lie outside.
range_none = No key puts it into the range of { voice_of }.
voices_comfortable = Comfortable: { $low } to { $high }.
voices_outside = { $low } to { $high }: some tones lie outside the comfortable range.
signs = Written with { $count ->
    [0] no sign
    [one] { $count } sign
   *[other] { $count } signs
  }{ $more ->
    [1] , more than they read
   *[0] { "" }
  }.
bars_missing = Bars: { $bars } { $count ->
    [one] is
   *[other] are
  } usually missing.
bars_off = { $bars } off
bars_on = { $bars } on
bars_as_they_are = as they are
bars_set = Bars: { $moved }{ $inside ->
    [0] ; it goes beyond the set
   *[1] { "" }
  }.
recorder_no_fingering = Recorder: no fingering here for { $tones }.
recorder_playable = Recorder: playable with the first { $count } tones.
recorder_needs = Recorder: needs { $tones } besides the first { $count } tones.

## Songs for a class and a purpose
times = { $count ->
    [1] once
    [2] twice
   *[other] { $count } times
  }
observed = { CAP($concept) } can be done with any song.
trait_rest = a silence
trait_long_short = long beside short tones
trait_contour = a line up or down
trait_step = steps
trait_skip = skips
trait_leap = leaps
trait_same_different = { $word_phrases } the same, and one that is not
trait_phrases = { $word_phrases } marked off
trait_aaba = form a a b a
trait_abac = form a b a c
trait_rondo = rondo form
trait_verse_refrain = verse and refrain
trait_call_answer = call and answer
trait_endings = first and second ending
trait_repeat_sign = a repeat sign
trait_felt_two = felt in two
trait_felt_three = felt in three
trait_felt_four = felt in four
trait_felt_compound = swaying beats (compound)
trait_tied = a tie
trait_two_chords = two chords: tonic and dominant
trait_fermata = a fermata
trait_staccato = staccato
trait_accent = an accent
trait_loudness_marked = loudness marked
trait_louder_softer = louder and softer marked
trait_tempo_marked = a tempo marked
trait_few_lines = room on two or three lines
trait_do_on_line = do on a line
trait_do_in_space = do in a space
trait_lettered = tones with letters
trait_needs_sign = a tone that needs a flat or sharp
trait_key_signature = a key signature that is used
trait_parts = two parts or more
trait_three_parts = three parts or more
trait_round = sings well as a round
trait_recorder_three = recorder tones B A G
trait_recorder_five = recorder tones B A G E D
trait_recorder_eight = eight recorder tones
trait_reads_p1_r1 = to be read with do re mi in steps
trait_reads_p2_r2 = to be read with do to so in steps
trait_reads_p3_r3 = to be read with ti below to la in steps
trait_reads_p4_r3 = to be read in steps, low so to high do
trait_reads_p5_r4 = to be read with skips in do-mi-so
trait_reads_p6_r5 = to be read with skips in so-ti-re
target_missing = Has no { $what }.
target_unnamed = { $section } cannot name { $concept } yet.
target_thin = Has { $concept } only { times }, never twice in a { $word_phrase } or in one place.
target_aspect = Is a song with { $concept }.
target_in_bars = Has { $what } in { $bars ->
    [one] { $bars } bar
   *[other] { $bars } bars
  }.
target = Has { $concept } { times }{ $same_place ->
    [1] , in the same place of its { $word_phrases }
   *[0] { "" }
  }{ $strong ->
    [1] , on strong beats
   *[0] { "" }
  }{ $by_step }.
times_none = { "" }
times_all = , approached by step
times_some = , approached by step { $count ->
    [one] once
    [2] twice
   *[other] { $count } times
  }
unknown = Also has { $others }, unknown to { $section }.
unknown_unnamed = Also has { $others }, which { $section } cannot name yet.
by_rote = Also has { $others }, which { $section } cannot name yet.
all_known = All else known.
else_known = Else only what { $section } knows.
unknown_aspect = Not named yet: { $others }.
long = It is long: { $bars ->
    [one] { $bars } bar
   *[other] { $bars } bars
  }.
new_song = New to { $section }.
new_song_twice_new = New to them, so two things would be new at once.
new_to_them = New to them.
said_known = You said they know it.
known_song = They sang it in { $lessons ->
    [one] { $lessons } lesson
   *[other] { $lessons } lessons
  }.
sung_lately = Sung lately, on { DAY($day) }.
not_sung_yet = Not sung yet.
last_sung = Last sung on { DAY($day) }.

## What is due
phase_past = { $key ->
    [prepare] prepared
    [present] named
    [practise] practised
    [make] made
    [invent] played with
    [join-in] joined in
    [make-yours] made their own
    [say-how] { $purpose ->
        [present] named
       *[other] used
      }
    [understand] { $purpose ->
        [present] named
       *[other] used
      }
    [listen] listened for
    [echo] echoed
    [name] named
    [read] read
    [create] created with
   *[other] { $key }
  }
phase_own = had in “{ $word }”
prerequisite = { CAP($concept) } comes first: { LOW($said) }
laid = The year's plan has it in this lesson.
practised = { CAP($concept) } is named and { $count ->
    [0] not { $phase } yet
    [one] { $phase } in { $count } lesson so far
   *[other] { $phase } in { $count } lessons so far
  }.
next = { CAP($concept) } is next{ $needs ->
    [0] { "" }
   *[other] { " " }after { $before }
  }; { $count ->
    [0] not { $phase } yet
   *[other] { $phase } in { $count } of { $enough ->
        [one] { $enough } lesson
       *[other] { $enough } lessons
      }
  }.
prepared = { CAP($concept) } was { $phase } in { $count ->
    [one] { $count } lesson
   *[other] { $count } lessons
  }: name it now.
waits = { CAP($concept) } is { $phase }, but must wait.

## Why a part is in a lesson
pinned = You pinned it.
chosen = You chose it.
left_over = Left over from { WEEKDAY($day) }: { $state ->
    [partly] done only partly
    [skipped] skipped
   *[not_reached] not reached
  }.
no_place = “{ $activity }” was left over too, and finds no place in this lesson.
phase = { CAP($kind) } belongs to “{ $phase }”.
warm = { CAP($concept) } is named; sung now and then it stays warm.
no_song = No song in the songbook can present { $concept } to them yet, so it is prepared once more.
new_song_titled = { $title } is new to them{ $inside ->
    [1] { " " }and lies in their range
   *[0] { "" }
  }.
old_friend = { $title } is an old friend: you said they know it.
old_friend_last = { $title } is an old friend: sung in { $lessons ->
    [one] { $lessons } lesson
   *[other] { $lessons } lessons
  }, last on { DAY($day) }.
new = New to them: { $what }.
new_name = the name { $concept }
new_song_word = the song
new_piece_word = the piece
new_activity = the activity
hears = { $count } children can be heard alone in it.
lately = They did it last time.
fell_flat = It fell flat with them before.
went_well = It went well with them before.
rated_why = You noted: “{ $why }”.
song_timely = It suits the day: { $time }.
song_untimely = It is a song of { $time }, and it is { $now }.
time_spring = spring
time_summer = summer
time_autumn = autumn
time_winter = winter
time_rain = rain
time_snow = snow
time_wind = wind
time_fog = fog
time_sun = sun
time_storm = storm
time_harvest = harvest
time_lanterns = lanterns
time_birthday = a birthday
time_welcome = a welcome
time_goodbye = a goodbye
took = With them it takes { $minutes } minutes: counted while you taught.
dropped = “{ $slot }” is never to be dropped, and was: { $days }.
turn_missed = “{ $activity }” would have its turn here and does not fit.
band_small = Kindergarten and grade 1
band_middle = Grades 2 and 3
band_upper = Grades 4 and up
band_choir = Choirs
ramp = They know little yet, so as few new things as possible are chosen.
set_minutes = The parts do not fill the minutes, or need more than there are.
set_empty = A slot stays empty: nothing fits it yet; more songs would help.
set_returns = Something new does not come back twice in this set; it is owed to the next one.
set_new_last = Something is new in the last lesson; it comes back in the next set.
set_half_new = More than half is new: they know too few songs for less.
set_sitting = They sit longer than eight minutes in a row.
set_practised_next = What was named is not practised in each of the next two lessons.
set_a_fifth_moving = Less than a fifth of the time is moving.
set_a_third_moving = Less than a third of the time is moving.
set_untouched = Something that is due is not touched in two of three lessons running.
set_naming_waits = Something could be named now and waits.
set_owed = Something met lately does not come again yet.
set_plain_again = An activity comes again with the same song.
set_few_heard = Fewer than four children can be heard alone.
set_few_songs = There are fewer than five different songs in it.
set_concept_often = One thing is in more than two parts.
set_second_piece = There is more than one piece to listen to.
set_activity_often = An activity comes in more than half of the lessons.
set_new_song_due = They know fewer songs than they had lessons, and no new one finds room.
set_song_worn = A song comes in more than six of a dozen lessons.
set_song_often = A song comes in more than half of the lessons.
set_too_new = More new things than they can take in one lesson.
set_falling = New things grow more from lesson to lesson.
set_idle_slot = Instruments or a game work on nothing that is due.
set_same_kind = Two parts are of one kind.
set_same_activity = An activity comes in two lessons running.
set_still_sitting = Two seated parts follow each other.
copies_of = { $count } copies of { $title }
set_warm_again = The same thing is kept warm in two lessons running.
set_in_turn = An activity comes three times, in every second lesson.
set_set_up = Something comes out for this class that the classes beside it do not use.
set_changed = Something that stood there gives way.
set_grows = { $time ->
    [2] 2nd
    [3] 3rd
    [21] 21st
    [22] 22nd
    [23] 23rd
    [31] 31st
    [32] 32nd
    [33] 33rd
   *[other] { $time }th
  } time{ $named ->
    [1] : { $stage }
   *[0] { "" }
  }
set_minutes_counted = { $minutes } minutes: { $settle } to settle, { $line_up } to line up, { $between } between parts, { $left } to teach.
set_says_nothing = Not composed yet.
set_says_best_possible = The best possible of { $looked_at } choices.
set_says_teaching_best = Teaching wishes as well as possible, taste within { $gap } points, of { $looked_at } choices.
set_says_best_found = The best that was found of { $looked_at } choices, at most { $gap } points from the best.
set_says_impossible = Not everything that is asked can be kept.
set_did_compose = composed the rest
set_did_pin = pinned in lesson { $lesson }
set_did_unpin = let go in lesson { $lesson }
set_did_put = put “{ $activity }” into lesson { $lesson }
set_did_move = moved a part of lesson { $lesson }
set_did_longer = made a part of lesson { $lesson } longer
set_did_shorter = made a part of lesson { $lesson } shorter
set_did_refuse = refused a part of lesson { $lesson }
set_did_lift = let “{ $activity }” come again
the_section = { $name }
free_minutes = { $count } minutes stay free: nothing that fits is longer.
asks = It has { $trait } in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
grouping_all = all together
grouping_halves = two halves
grouping_circle = in a circle
grouping_partners = in pairs
grouping_groups = in groups
grouping_single = one by one
the_thing = the { $concept }
a_thing = { $concept }
said_two_eighths = two eighths
said_eighth_sixteenths = an eighth and two sixteenths
said_eighth_rest = the eighth rest
said_fa = fa
said_recorder_bag = B, A and G
said_recorder_five = E or D
said_recorder_eight = C, high D or F sharp
said_loudness_word = a word for loudness
said_tempo_word = a word for tempo
new_tone = the new tone
new_home = the new home tone
new_direction = the way it moves
new_figure = the new figure
new_duration = the long and the short
new_beat = the beat
new_meter = how the beats go
new_staff = the place of the note
new_form = how it is built
new_expression = how it is sung
new_voice = the way of using the voice
new_unpitched = the new stroke
new_barred = the way of playing
new_recorder = the new tone
new_ensemble = how the voices go together
new_making = a turn of their own
new_sight_singing = a line of this level
new_vocabulary = the sound
the_song = the song
the_class = the class
the_thing_learned = what is learned
the_piece = the piece

slot_left = Left over
slot_opening = Opening
slot_voice = Voice play
slot_review = Review
slot_focus = Main thing
slot_second = Second thing
slot_play = Instruments
slot_game = Game
slot_repertoire = Repertoire
slot_closing = Closing
slot_choir_opening = Warm-up
slot_choir_voice = Hard intervals
slot_choir_focus = Sight-singing

kind_barred = barred instruments
kind_body_percussion = body percussion
kind_closing = closing
kind_composing = composing
kind_dictation = dictation
kind_echo = echo
kind_greeting = greeting
kind_hearing_singles = hearing singles
kind_improvising = improvising
kind_instrument = instrument
kind_listening = listening
kind_melody_reading = melody reading
kind_movement = movement
kind_partner_work = partner work
kind_recorder = recorder
kind_rhythm_reading = rhythm reading
kind_sight_singing = sight-singing
kind_singing = singing
kind_singing_game = singing game
kind_song_story = song story
kind_staff_work = staff work
kind_vocal_exploration = vocal exploration

## The year
grades_name = { $low } and { LOW($high) }
other_grades = Made for { LOW($first) } to { LOW($last) }.
grade_name = { $grade ->
    [-1] Below kindergarten
    [0] Kindergarten
    [13] Choir
   *[other] Grade { $grade }
  }
lessons = { $count ->
    [one] { $count } lesson
   *[other] { $count } lessons
  }
lessons_of_practice = { $count ->
    [one] { $count } lesson
   *[other] { $count } lessons
  } of practice
lessons_of_preparation = { $count ->
    [one] { $count } lesson
   *[other] { $count } lessons
  } of preparation
way_shorten = Give up { $parts }, in { $concepts }.
way_reserve = Use the { lessons } in reserve; one lost lesson then topples the plan.
way_next_year = Move { $concepts } to next year.
way_both = Shorten phases, and move { $concepts } to next year.
wish_begins = { CAP($concept) } begins in lesson { $lesson }.
wish_named_by = { CAP($concept) } is named by lesson { $lesson }.
wish_not_before = { CAP($concept) } is not named before lesson { $lesson }.
wish_concert = { $concert } needs { $concepts } by lesson { $lesson }.
year_concert_missed = { $concert } comes too soon for { $concept }: { $others ->
    [0] it is
   *[other] among others it is
  } not named by then.
year_short = Short by { lessons }: { $concepts } { $left ->
    [one] finds
   *[other] find
  } no room this year.
year_fits_shortened = It fits, with shorter phases: at usual lengths { $count ->
    [one] { $count } more lesson
   *[other] { $count } more lessons
  } would be needed.
year_fits = It fits: { $concepts ->
    [one] { $concepts } concept
   *[other] { $concepts } concepts
  } over { $lessons ->
    [one] { $lessons } lesson
   *[other] { $lessons } lessons
  }, { $spare ->
    [one] { $spare } lesson
   *[other] { $spare } lessons
  } to spare.
year_not_laid = Nothing is laid over this year yet.
year_until_concert = { lessons } until { $concert }, { DAY($day) }.
school_not_laid = No year is laid yet. Lay the first one to see what fits.
school_slack = { $grade } has the least slack: { $spare ->
   *[yes] { lessons } to spare
    [no] short by { lessons }
  }.{ $left ->
    [0] { " " }Every section fits.
   *[other] { " " }Short of lessons: { $sections }.
  }
drift_none = No section in this grade.
drift_one = Only one section in this grade: nothing can drift apart.
drift_level = { $sections } are side by side.
drift_behind = { $section } is { lessons } behind { $ahead }
drift = { $behind }.
drift_with_help = { $behind }. { $ahead } can use { lessons } for retention and creating while { $section } catches up.
room_out = out: { $things }
room_away = away: { $things }
no_term = no term
school_year = School year
calendar_lesson = { $section }, lesson { $number }

## Strands
strand_beat = Beat and tempo
strand_rhythm = Rhythm
strand_meter = Meter
strand_melody = Melody
strand_tonality = Tonality
strand_staff = Staff
strand_form = Form
strand_expression = Expression
strand_voice = Voice
strand_unpitched = Unpitched
strand_barred = Barred instruments
strand_recorder = Recorder
strand_ensemble = Ensemble
strand_making = Making music up
strand_sight_singing = Sight-singing
strand_vocabulary = Vocabulary

## On paper
paper_lesson = { $section }, { WEEKDAY($day) } { DAY($day) }, { $at }
paper_day = { DAY($day) }
paper_minutes = { $minutes } minutes, { $planned } of them planned.
paper_not_yet = Not named yet: { $concepts }.
paper_last_note = From last time: “{ $note }”
paper_care_line = Care:
paper_works = It works when:
paper_this_time = This time:
paper_fetch = Fetch:
paper_easier = Easier:
paper_new = new
set_paper_title = { $name }: the next lessons
set_paper_lead = ▲ is new to them. A box for each section.
paper_page = Score of { $title }, page { $page } of { $pages }
drills_title = { $title }: drills and games
drills_lead = Made from the song's own tones and words. A box for each line that went well.
drills_echo = Echo
drills_echo_how = Sing a call, the class sings it back. Calls that do not end at home come first: the class may also answer with an end that does.
drills_call = { $tones } ({ $home ->
    [1] bar { $bar }, ends at home
   *[0] bar { $bar }
  })
drills_inside = Without { $tone }
drills_inside_how = Sing all but the holes aloud; the holes are sung inside, as long as they last.
drills_up_and_down = Up and down its tones
drills_thirds = Over one tone
paper_game = Game
paper_care = Care
paper_culture = Culture
paper_from = From
paper_verified = verified
paper_not_verified = not verified
paper_do = { $do } = { $letter }
paper_sung = sung with { $do } = { $letter }
paper_start = start on { $pitch }
paper_start_degree = start on { $pitch } ({ $degree })
paper_tempo = { $count } beats a minute

## Parts together
part_number = part { $number }
part_named = { $name }
voice_treble_1 = first treble
voice_treble_2 = second treble
voice_alto = alto
voice_tenor = tenor
voice_bass = bass
part_lies_for = Lies best for the { LOW($voice) }.
part_lies_beyond = Lies nearest to the { LOW($voice) }; { $tones } lies beyond what that voice should sing.
part_without_tones = Spoken or played: no tones to sing.
together_crossing = { CAP($upper) } goes below { $lower } in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
together_clash = { CAP($upper) } and { $lower } rub a half step apart in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
together_rub = { CAP($upper) } and { $lower } stand a whole step apart on a strong beat in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
together_parallel_fifths = { CAP($upper) } and { $lower } move in fifths side by side in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
together_parallel_octaves = { CAP($upper) } and { $lower } move in octaves or unison side by side in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
partners_meter = they do not share one meter
partners_home = they do not rest on the same tone
partners_length = { $first } and { $second } bars do not go into each other
round_so = { $voices } voices, each { $after ->
    [1] a bar
   *[other] { $after } bars
  } behind the one before: { LOW($how) }
meet_well = they fit.
meet_same = they sing the same tones for much of the time.
meet_clash = a half step rubs in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
meet_rub = a whole step stands on a strong beat in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.
meet_parallel = they run side by side in { $count ->
    [1] bar
   *[other] bars
  } { $bars }.

## Words on the beat
words_sit = The words sit well on the beat.
words_look = { $count ->
    [0] The words sit; { $all ->
        [1] one place
       *[other] { $all } places
      } may be looked at.
    [1] The words sit but for one place.
   *[other] { $count } places where the words may not sit.
  }
word_turned = Bar { $bar }, verse { $verse }: “{ $word }” is turned over, “{ $text }” stands stronger than its stressed syllable.{ $guessed ->
    [0] { "" }
   *[other] { " " }Its stress is a guess.
  }
word_light = Bar { $bar }, verse { $verse }: the light word “{ $text }” takes the beat from a heavier one beside it.
word_article = Bar { $bar }, verse { $verse }: “{ $text }” stands on a strong beat.
word_weak = Bar { $bar }, verse { $verse }: “{ $text }” wants to be stressed and stands in a weak place.
word_top = Bar { $bar }, verse { $verse }: the highest tone falls on “{ $text }”, which is not stressed.
word_hint = Bar { $bar }, verse { $verse }: “{ $text }” opens a bar; often that is good verse.

## Recorded pieces
piece_new = “{ $title }”: they have not heard it yet.
piece_met = “{ $title }”: heard in { $lessons ->
    [one] one lesson
   *[other] { $lessons } lessons
  }, last on { DAY($day) }.
piece_has = { CAP($concept) } can be heard in it.

## How an activity grows
stage_meet = meet it
stage_join = join in
stage_alone = alone
stage_lead = a child leads
stage_change = change it
stage_read = read or write it
stage_open = as an opening

# What helps most next
next_sections = Tell Kopje which classes you teach: in Set-up, or from a table of the school.
next_songs = Bring in songs: the lessons are made of them.
next_meets = Say when { $name } meets; then its lessons can be planned.
next_knows = Say what { $name } knows already: tick what they can name and sing.
next_set = Compose the next lessons of { $grade }.
next_year = Lay the year of { $name }, so that everything finds its time.
late = { $minutes ->
    [one] { $minutes } minute
   *[other] { $minutes } minutes
  } left: leave out { $activities }.

# What is fetched
things_hand_drum = hand drums
thing_hand_drum = { $count ->
    [one] { $count } hand drum
   *[other] { $count } hand drums
  }
things_shaker = shakers
thing_shaker = { $count ->
    [one] { $count } shaker
   *[other] { $count } shakers
  }
things_scraper = scrapers
thing_scraper = { $count ->
    [one] { $count } scraper
   *[other] { $count } scrapers
  }
things_wood = struck woods
thing_wood = { $count ->
    [one] { $count } struck wood
   *[other] { $count } struck woods
  }
things_metal = metals that ring
thing_metal = { $count ->
    [one] { $count } metal that rings
   *[other] { $count } metals that ring
  }
things_barred = barred instruments
thing_barred = { $count ->
    [one] { $count } barred instrument
   *[other] { $count } barred instruments
  }
things_recorder = recorders
thing_recorder = { $count ->
    [one] { $count } recorder
   *[other] { $count } recorders
  }
things_scarf = scarves
thing_scarf = { $count ->
    [one] { $count } scarf
   *[other] { $count } scarves
  }
things_whiteboard = whiteboards with pens
thing_whiteboard = { $count ->
    [one] { $count } whiteboard with a pen
   *[other] { $count } whiteboards with pens
  }
things_craft_stick = craft sticks
thing_craft_stick = { $count ->
    [one] { $count } craft stick
   *[other] { $count } craft sticks
  }
things_elastic = elastic bands of 6 m
thing_elastic = { $count ->
    [one] { $count } elastic band of 6 m
   *[other] { $count } elastic bands of 6 m
  }
things_card = cards
thing_card = { $count ->
    [one] { $count } card
   *[other] { $count } cards
  }
things_sounding_thing = things that sound
thing_sounding_thing = { $count ->
    [one] { $count } thing that sounds
   *[other] { $count } things that sound
  }
things_floor_tape = rolls of floor tape
thing_floor_tape = { $count ->
    [one] { $count } roll of floor tape
   *[other] { $count } rolls of floor tape
  }
things_shapes = paper shapes
thing_shapes = { $count ->
    [one] { $count } paper shape
   *[other] { $count } paper shapes
  }
things_string = strings with buttons
thing_string = { $count ->
    [one] { $count } string with buttons
   *[other] { $count } strings with buttons
  }
things_picture_card = sets of picture cards
thing_picture_card = { $count ->
    [one] { $count } set of picture cards
   *[other] { $count } sets of picture cards
  }
things_paper = sheets of paper with pencils
thing_paper = { $count ->
    [one] { $count } sheet of paper with a pencil
   *[other] { $count } sheets of paper with pencils
  }
room_lacks = It needs { $needed } { $thing }, and the room has { $there }.
wrong_size = It goes with { $least } to { $most } children.

# A set laid again
laid_by_you = You laid it here.
set_did_lay = laid “{ $name }”
copy_activity_gone = “{ $activity }” is not among the activities any more.
copy_song_gone = “{ $activity }”: its song or piece is not in your book any more.
copy_concept_gone = “{ $activity }”: what it works on is not in your sequence any more.
copy_grades = “{ $activity }” is made for other grades.
copy_size = “{ $activity }” does not go with so many children.
copy_range = “{ $activity }”: { $title } lies outside their range.
copy_named = “{ $activity }”: they can name { $concept } already.
copy_needs = Before { $concept } is named they need { $needs }.
copy_not_named = “{ $activity }”: they cannot name { $concept } yet.

# Too little to teach something with
thin_songs = { $count ->
    [0] No song has it
    [one] Only { $count } song has it
   *[other] Only { $count } songs have it
  } in a range for its grade; { $enough } would be enough. Bring some in, or say of a song that it has it.
thin_clear = No song shows it clearly enough to name it by: twice in one phrase, or as a turn that comes back.
thin_prepare = { $count ->
    [0] No activity prepares it
    [one] Only { $count } activity prepares it
   *[other] Only { $count } activities prepare it
  }; { $enough } would be enough. Write one, or make one from another.
thin_present = No activity gives it its name. Write one, or make one from another.
thin_practise = { $count ->
    [0] No activity practises it
    [one] Only { $count } activity practises it
   *[other] Only { $count } activities practise it
  }; { $enough } would be enough. Write one, or make one from another.
thin_heard = In no activity a child alone is heard with it, so nobody's mark can say that it is secure.
set_pins = You pinned { $pins } in it: together at least { $minutes } minutes. Take one of them out, or give the lesson more minutes.

# A plan for one song
focus_lines = { $all ->
    [one] It has one { $word_phrase }.
   *[other] { $lines ->
        [one] Of its { $all } { $word_phrases } only one has to be learned.
       *[other] Of its { $all } { $word_phrases } { $lines } have to be learned, in this order.
    }
  }
focus_line = { CAP($word_phrase) } { $number }, { $label }{ $times ->
    [one] { "" }
   *[other] , which comes { $times } times
  }.
focus_nothing = Nothing fits for “{ $stage }” with this song; the lesson goes on without it.
set_did_focus = planned “{ $title }” through the lessons
set_voice = Your voice leads longer than its share of the day.
beside = Beside the class: { $children ->
    [one] one child does
   *[other] { $children } children do
  } not have { $concept } yet. Take { $table ->
    [one] one of them
   *[other] { $table } of them
  } to the small table while the class goes on.
set_concert_song = A song for a concert that comes finds too little room.

## What is kept of one child
record_title = What is kept of { $name }
record_lead = { $school }, { DAY($day) }. This is all that Kopje keeps.
record_about = On the roll
record_sections = Classes and choirs: { $text }.
record_joined = On the roll since { DATE($day) }.
record_left = Left on { DATE($day) }.
record_standings = What its marks add up to
record_told = What was told, in order
record_aside = Not taken yet
record_aside_line = { $count ->
    [one] One event waits on a teacher's device to be settled; it is in the JSON file.
   *[other] { $count } events wait to be settled; they are in the JSON file.
  }
record_looked = Who looked
record_nothing = Nothing.
record_mark = { DATE($day) }, { $section }: { $text }, { $result ->
    [secure] secure
    [nearly] nearly
   *[not_yet] not yet
  }; { $way ->
    [hear] hearing it
    [sing] singing or playing it
    [read] reading it
    [write] writing it
   *[create] making with it
  }, { $voices ->
    [alone] alone
    [group] in a group
   *[class] with the class
  }, { $help ->
    [none] no help
    [model] after a model
   *[signs] with hand signs
  }. Marked by { $by }.
record_event = { DATE($day) }, { $section }: { $kind ->
    [absent] absent
    [taken_back] what was told before was taken back
    [passed] did not want to, and was not marked
    [judged] the teacher said how far it is
   *[other] { $kind }
  }. Told by { $by }.
record_say = Its name is said “{ $text }”.
record_without = It is left out of: { $text }.
ledger_paper_title = Ledger { $section }
ledger_paper_lead = { DAY($day) }, { $count ->
    [one] one child
   *[other] { $count } children
  }
ledger_paper_foot = secure of those heard
stone_secure = secure
stone_due = secure, due for review
stone_once = showed it once
stone_once_due = showed it once, due for review
stone_nearly = nearly
stone_not_yet = not yet
stone_partly = heard in one way, not yet in another
stone_not_heard = not heard
stone_said = as the teacher said
record_without_touch = games with touch
record_without_alone = being heard alone
record_reports = Reports that were kept
record_report_line = Number { $number }, { DATE($day) }, kept by { $by }: { $text }
record_looked_line = { DATE($day) }, { $at }: { $what ->
    [child_looked_at] marks looked at
    [child_taken_out] everything taken out
    [report_taken_out] report taken out
    [ledger_taken_out] ledger taken out
   *[other] { $what }
  }, by { $by }.

# What a child needs next, and the report.
step_first = First { $concept }, on which { $later } rests; then { $later }.
step_not_yet = Teach { $concept } once more, in a small group, and hear it alone after that.
step_nearly = Hear { $concept } alone and without help once more: it is nearly there.
step_once = Hear { $concept } again on another day: it was shown once.
step_not_heard = Listen to { $concept }: nobody has heard it alone yet.
step_due = Hear { $concept } again: it was sure, and was not heard for long.
step_none = Nothing waits: it goes on with the class.
report_sure = { $name } is sure of { $text }.
report_once = { $name } has shown { $text } once.
report_nearly = { $name } nearly has { $text }.
report_learning = { $name } is still learning { $text }.
report_again = Heard last long ago, and to be heard again: { $text }.
report_nobody = Nobody has listened to { $name } alone yet in { $text }.
report_heard = { $name } { $text }.
report_heard_things = was heard alone { $count ->
    [one] once
   *[other] { $count } times
  } this year, last on { DATE($day) }
report_next = { $text }
report_head_sure = Can do
report_head_once = Showed once
report_head_nearly = Nearly there
report_head_learning = Learning now
report_head_again = To be heard again
report_head_nobody = Not heard yet
report_head_heard = How we know
report_head_next = Next
report_lead = { $section }, { $school }, { DATE($day) }
report_foot = Put together from what was heard in music lessons. It gives no grade and compares with nobody.
report_column_name = Name
report_column_section = Class
without_touch = Without touch: { $form }
without_alone = Not alone: in a pair, or with everybody.
group_nobody = Everybody who was heard in { $concept } has it.
group = Teach { $concept } again to { $count ->
    [one] one child
   *[other] these { $count }
  }: { $names }.
group_behind = Teach { $count ->
    [one] one child
   *[other] these { $count }
  } again: { $names }. It is really { $behind } that they miss; after that { $concept }.

# What was told of the whole class.
told_hands = Hands: { $count } of { $of }.
told_hands_asked = “{ $text }” Hands: { $count } of { $of }.
told_class = The whole class, { $concept }, { $way ->
    [hear] hearing it
    [sing] singing or playing it
    [read] reading it
    [write] writing it
   *[create] making with it
  }: { $result ->
    [secure] has it
    [nearly] nearly has it
   *[not_yet] does not have it yet
  }.

## Reading
exercise_title = { $name }, no. { $number }
exercise_for = Made for { $concept }; the class has read nothing nearly the same.
exercise_of_song = From “{ $title }”, bars { $first } to { $last }, which the class has not sung.
exercise_only_named = All its tones have names in this class.
reading_none_yet = Not read without help yet.
reading_broke = The last reading broke: once more from that place, then another of the same kind.
reading_broke_at = The last reading broke from { $one } to { $two }: take these two alone, then another of the same kind.
reading_two_clean = The last { $count } were read cleanly, unseen and without help: go on.
reading_one_clean = The last one was read cleanly: one more, and go on.
paper_set = To read: { $name }
paper_sheet_lead = { $count ->
    [one] One exercise
   *[other] { $count } exercises
  }. Look first, then sing without stopping.
paper_cards_lead = { $count ->
    [one] One card
   *[other] { $count } cards
  }. Cut along the broken lines.
paper_complete_lead = { $count ->
    [one] One line
   *[other] { $count } lines
  }. Listen, then write what is missing.
paper_write_lead = { $count ->
    [one] One line
   *[other] { $count } lines
  }. The first tone is there. Listen, then write.
paper_round_place = Where do the notes lie?
paper_round_find = Do is here: where are the others?
paper_round_lie = How do two tones lie?
paper_round_letter = Which letters?
paper_round_lead = Write each answer on its line.
paper_round_key = The answers.
staff_paper_title = Staff paper
paper_set_key = Key: { $name }
paper_set_key_lead = For the teacher: the same with their syllables.

## Rounds of questions
what_round = round
place_line = line { $n }
place_space = space { $n }
place_above = above line { $n }
place_below = below line { $n }
place_ledger_below = { $n ->
    [1] on the ledger line below
   *[other] on ledger line { $n } below
  }
place_ledger_above = { $n ->
    [1] on the ledger line above
   *[other] on ledger line { $n } above
  }
side_up = up
side_down = down
ask_place = Where does the note lie?
ask_place_why = Counted from the bottom: { $place }.
ask_find = Do lies here: { $do }. Where is { $tone }?
ask_find_why = From do to { $tone } it is { $n ->
    [1] one place { $side }
   *[other] { $n } places { $side }
  }, lines and spaces counted in turn: { $place }.
ask_letter = Which letter has this place?
ask_letter_why = { $letter }: { $place } in this clef.
says_letter = { $letter }
ask_lie = How do { $one } and { $two } lie?
ask_lie_why_alike = They are { $n } places apart, an even number: both on lines or both in spaces, wherever do is.
ask_lie_why_each = They are { $n ->
    [1] one place
   *[other] { $n } places
  } apart, an odd number: one on a line, one in a space, wherever do is.
lie_lines = both on lines
lie_spaces = both in spaces
lie_each = one on a line, one in a space
ask_direction = Up, down or the same?
ask_direction_why = { $one }, then { $two }.
says_up = up
says_down = down
says_same = the same
ask_move = Step, skip or the same again?
ask_move_why_repeat = { $one } twice: a repeat.
ask_move_why_step = From { $one } to { $two }, its neighbour: a step.
ask_move_why_skip = From { $one } to { $two }, past one tone: a skip.
ask_move_why_leap = From { $one } to { $two }, past two tones or more: a leap.
says_repeat = the same again
says_step = a step
says_skip = a skip
says_leap = a leap
ask_same = The same twice, or not?
ask_same_why = Both times the same.
ask_other_why = Not the same: tone { $n } was { $one }, then { $two }.
says_same_row = the same
says_other_row = not the same
ask_line = Which line was it?
ask_line_why = It went { $tones }.
says_this_line = this one
ask_tones = Which tones does it use?
ask_tones_why = It went { $tones }.
says_tones = { $tones }
ask_home = Where is home?
ask_home_why_do = It rests on do: major.
ask_home_why_la = It rests on la: minor.
ask_home_why_both = It rests on do first, major, and then on la, minor: it has two homes.
says_home_do = do, major
says_home_la = la, minor
says_home_both = first do, then la
ask_sign = With its { $sign }, or without?
ask_sign_why_flat = Where do is { $do }, { $tone } is { $letter }: a half step over the tone below. Without the flat it lies a half step too high.
ask_sign_why_sharp = Where do is { $do }, { $tone } is { $letter }: a half step under the tone above. Without the sharp it lies a half step too low.
sign_flat = flat
sign_sharp = sharp
says_with_sign = with it
says_without_sign = without it
ask_along = Bar { $bar }, on { $tone }: what comes next?
ask_along_why = { CAP($move) }.
says_stays = stays on { $tone }
says_moves = { $kind } { $side } to { $tone }
move_step = a step
move_skip = a skip
move_leap = a leap
ask_song = Which song is it?
ask_song_why = It was “{ $title }”.

## Layers, and words that become a rhythm
speech_strong = { $words } on a strong beat
speech_waits = it begins after a rest
speech_off_beat = { $words } off the beat
speech_small = { $words } on a beat, though light
speech_end_silent = the last beat is silent
speech_end_held = the last beat is held
speech_why = { $said }.
texture_beats = { $beats } { $one ->
    [1] beat
   *[0] beats
  }
texture_hangs = “{ $name }” is { $beats } long and does not close on the phrase of { $phrase }: { $fits } beats would.
texture_no_bars = “{ $name }” is { $beats } long: it fills no whole bars.
texture_closes = Every loop closes on the phrase of { $phrase }.
texture_meet = All loops begin together again after { $beats }.
texture_hidden = “{ $name }” is never heard alone: wherever it plays, { $under } plays too.
texture_silent = Nobody plays on { $count ->
    [one] beat
   *[other] beats
  } { $beats } of { $cycle }.
texture_entries = Come in: { $names }; { $pulse ->
    [1] the beat first, then the sparse ones
   *[0] the sparse ones first
  }.
texture_all_in = All are in from bar { $bar }.
texture_cut = “{ $name }” is the busiest: teach it in two pieces, the second from beat { $beat }, slowly, then together.
bordun_fits = It fits: { $times ->
    [one] once
   *[other] { $times } times
  } a verse, the last time only its first beat.
bordun_rub = bar { $bar } ({ $tone } against { $against })
bordun_clashes = It rubs in { $places }{ $chord ->
    [0] .
   *[1] : another chord is wanted there.
  }
letters_more = Line { $line }, letter { $place }: one { $given } more than the tune has (bar { $bar }).
letters_less = Line { $line }, before letter { $place }: the tune has one { $wanted } more (bar { $bar }).
letters_other = Line { $line }, letter { $place }: { $given } stands there, the tune has { $wanted } (bar { $bar }).

## What went wrong on the recorder
heard_squeak = a squeak
heard_high = the octave above
heard_hiss = a hiss
heard_together = two notes run together
heard_nothing = nothing
heard_low_squeals = a low tone squeals
look_hole = Does a finger lie on its tip, or beside its hole?
try_hole = Seal it with the pad: press once so that the ring shows on the skin, then lie lightly.
look_air = Is there as much air as for a loud song?
try_air = Blow as if a candle should bend and not go out; the lower the tone, the gentler.
look_hands = Is the right hand on top?
try_hands = Left hand on top, right thumb behind the fourth hole; count the fingers down from the mouth.
look_angle = Does the pipe point at the floor, or straight ahead?
try_angle = Hold it halfway between floor and wall, elbows a little away.
look_tongue = Is each tone begun by the breath alone?
try_tongue = Say “doo” without voice at each tone; try it on one tone first.
look_thumb = Does the thumb slide half off its hole?
try_thumb = Thumb back to the middle of its hole, bent a little; play B and A in turn.
look_lips = Are the teeth on it, or the window covered?
try_lips = Lips over the teeth, only the tip between them, the window free.
look_water = Is there water in the windway?
try_water = Cover the window with a finger and blow once, hard, away from others; dry it.

# --- moves
move_walk = walk
move_tiptoe = tiptoe
move_glide = long, gliding steps
move_sway = sway from side to side
move_reach = reach up and let sink
move_pat = pat the knees
move_clap = clap softly
move_stamp = stamp softly on the spot
move_turn = turn once round on the spot
move_circle = draw a circle in the air
move_heels = heels tap the beat
move_fingers = fingers tiptoe over the thighs
move_mirror = mirror a partner's hands
move_palms = clap a partner's palms
move_arch = make an arch with a partner
move_still = stand still
move_own = a child's own idea; all copy it
move_travels = { $move } { $way }
move_side = { $move }, { $side }
way_in = to the middle
way_out = out again
way_left = round to the left
way_right = round to the right
side_right = right first
side_left = left first
moves_floor = A clear floor of { $wide } by { $deep } m for { $count } children.
moves_elastic = One elastic of { $length } m, knot included.
moves_come_back = Everybody ends where they began.
moves_scarf = { $count } scarves, one for each child.
moves_hoop = { $count ->
    [one] One hoop, for two children.
   *[other] { $count } hoops, one for two children.
}
moves_care_floor = Shoes on, nothing on the floor, nobody runs; one direction at a time, and anybody may dance it from a chair.
moves_care_chairs = Chairs an arm's length apart, feet flat on the floor.
moves_care_touch = Touch is a choice: whoever likes does it without.
moves_care_scarf = Scarves stay in hands, away from necks and faces.
moves_care_elastic = Not near necks and faces; nobody lets go while it is tight.
moves_care_hoop = Hoops lie still before anybody steps in.

# --- cards of instruments
instrument_hand_drum = hand drum
instrument_tambourine = tambourine
instrument_snare_drum = snare drum
instrument_bass_drum = bass drum
instrument_kettledrum = kettledrum
instrument_maracas = maracas
instrument_rainstick = rainstick
instrument_jingle_bells = jingle bells
instrument_guiro = guiro
instrument_claves = claves
instrument_wood_block = wood block
instrument_triangle = triangle
instrument_cymbals = cymbals
instrument_gong = gong
instrument_hand_bell = hand bell
instrument_xylophone = xylophone
instrument_glockenspiel = glockenspiel
instrument_recorder = recorder
instrument_flute = flute
instrument_clarinet = clarinet
instrument_panpipes = panpipes
instrument_trumpet = trumpet
instrument_trombone = trombone
instrument_horn = horn
instrument_violin = violin
instrument_cello = cello
instrument_guitar = guitar
instrument_harp = harp
instrument_thumb_piano = thumb piano
instrument_piano = piano
instrument_accordion = accordion
sounding_struck = struck
sounding_scraped = scraped
sounding_shaken = shaken
sounding_plucked = plucked
sounding_bowed = bowed
sounding_blown = blown
sounding_keys = played by keys
cards_all = all
cards_title = Cards of instruments: { $which }
cards_whole = { $count } cards with picture and name: they stay beside the others and show what is right. Cut along the lines.
cards_picture = { $count } pictures. Cut along the lines.
cards_name = { $count } names. Cut along the lines.
cards_list = The whole set by its numbers. What is missing can be printed alone.
cards_alone = Only: { $name }.
cards_in_list = { $name } ({ $sounds })
