# Refusals: what happened, what was kept, what to do.

request_forged = This request did not come from Kopje's own page. Nothing was changed.
nothing_to_hear = There is nothing due that could be heard now.
song_unpitched = This song has no pitches to practise. Nothing was made.
song_no_parallel = Only a song in major or minor has a parallel tonality to tell apart. Nothing was made.
sequence_which = Name a shipped sequence or a version. Nothing was changed.
engraving_nothing = There is nothing to engrave.
print_too_much = This is too much to print at once. Leave some of the layers out.
print_too_large = This is too large to print. On the screen everything works.
song_too_large_to_draw = This song is too large to draw. Everything else about it works.
engraving_failed = The notation could not be drawn. Everything else about the song works.
abc_no_tune = No tune was found in the file: ABC needs a K: line and notes after it. Nothing was kept.
file_not_text = The file is not text; nothing was kept.
key_too_many_signs = The key “{ $text }” has more than seven signs; nothing was kept.
tune_empty = There is nothing to write: the tune has no bars.
calendar_too_large = This calendar is larger than 2 MB. Nothing was kept.
calendar_not_ical = This is not an iCalendar file. Nothing was kept; export it as .ics and try again.
calendar_too_many_events = The calendar has more than { $most } events. Nothing was kept; export one year.
calendar_no_holidays = The calendar has no all-day events, so no holidays. Nothing was kept.
file_empty = The file is empty; nothing was kept. Choose another file.
file_too_large = The file is larger than { $megabytes } MB; nothing was kept. Export the song on its own.
file_too_many = More than { $most } { $what }; nothing was kept.
file_note_length = A note of impossible length stands { $where }; nothing was kept.
midi_unreadable = The file is not a MIDI file that can be read. Nothing was kept; export it again, as a MIDI file of type 0 or 1.
midi_type_2 = A MIDI file of type 2 holds pieces side by side; nothing was kept. Export one piece.
midi_only_drums = The file has no notes besides drums. Nothing was kept.
file_no_such_part = There is no part { $part }: the file has { $parts }. Nothing was kept.
midi_too_fine = Its lengths are too fine for a MIDI file. Nothing was written.
mxl_no_score = The .mxl file names no score inside it. Nothing was kept.
mxl_damaged = The .mxl file is damaged or locked. Nothing was kept. Export it again.
mxl_too_large = The score inside the .mxl is larger than 4 MB. Nothing was kept.
xml_broken = The file is not well-formed XML{ $line ->
    [0] { "" }
   *[other] { " " }(line { $line })
  }. Nothing was kept. Export it again.
xml_entities = The file declares XML entities, which are not read for safety. Nothing was kept.
xml_not_music = The file is XML, but not MusicXML. Nothing was kept.
score_no_parts = The score has no parts. Nothing was kept.
part_no_notes = The part has no notes. Nothing was kept.
number_between = { CAP($what) } must be a number from { $low } to { $high }. Nothing was kept.
duration_no_number = A duration in bar { $bar } is not a number. Nothing was kept.
pitch_no_letter = A pitch has no letter from A to G. Nothing was kept.
quarter_tones = The file holds quarter tones, which have no syllable. Nothing was kept.
file_kind = “{ $name }” is of a kind Kopje cannot read. Nothing was kept. Choose a MusicXML (.musicxml, .xml, .mxl), ABC (.abc) or MIDI (.mid) file.
roster_too_large = This file is larger than 4 MB. Nothing was kept; send one school at a time.
roster_not_table = This is not a text table. Nothing was kept; save it as CSV and try again.
roster_too_many_rows = The table has { $count } rows, more than a school has children. Nothing was kept.
roster_empty = The table is empty. Nothing was kept.
roster_columns = The first row needs a column “section”, and “grade”, “name”, “minutes” or “meets” beside it. Nothing was kept.
row_grade = “{ $text }” is no grade (K, 1 to 12, or choir)
row_minutes = “{ $text }” minutes: a lesson has 10 to 180
row_meeting = “{ $text }” is no meeting time such as “Mon 09:10” or “Day 2 09:10”
row_kept_without_times = { $why }; the child and the section are kept, without this time
row_cycle = “{ $text }”: a cycle has days 1 to 20
roster_nobody_enrolled = No student is enrolled in any class in these files. Nothing was kept.
zip_lacks = The zip has no { $name }. Nothing was kept; OneRoster needs classes, users and enrollments.
zip_unreadable = This zip cannot be opened. Nothing was kept.
zip_member_too_large = { $name } is larger than 4 MB. Nothing was kept.
zip_too_many_rows = The files hold more rows than a school has children. Nothing was kept.
concept_needs = { $where }: key, name, strand and grade are needed. Nothing was kept.
concept_grade = { $where }: a key, a name and a grade from 0 to 12 (13: choir) are needed. Nothing was kept.
concept_strand = { $where }: “{ $text }” is no strand. Nothing was kept.
concept_ways = { $where }: the ways to show it are among { $ways }. Nothing was kept.
concept_month_day = { $where }: “{ $text }” is no month and day such as 10-01. Nothing was kept.
sequence_size = A sequence has 1 to { $most } concepts, not { $count }. Nothing was kept.
sequence_key_twice = The key “{ $key }” stands twice. Nothing was kept.
sequence_need_missing = “{ $name }” needs “{ $need }”, which is not in the sequence. Nothing was kept.
sequence_order = “{ $name }” stands before “{ $other }”, which it needs. Nothing was kept; move it down.
sequence_too_large = This file is larger than 2 MB. Nothing was kept.
sequence_not_text = This is not a text file. Nothing was kept; save it as CSV or JSON.
sequence_columns = The first row needs the columns key, name, strand and grade. Nothing was kept.
case_no_package = This JSON is no CASE package (CFDocument, CFItems). Nothing was kept.
case_no_item = { $where } is no CASE item. Nothing was kept.
line_no_tone = There is no tone yet. Type one, such as “s” for so.
line_no_repeat = “{ $text }” in line { $row } has no line to repeat.
line_too_many_signs = “{ $text }” in line { $row } has more than { $most } signs on one beat. Put spaces between beats.
line_no_sign = “{ $sign }” in “{ $text }”, line { $row }, is no sign. Tones are d r m f s l t or C D E F G A B, - holds, . is silence.
file_kind_written = “{ $name }”: Kopje writes .musicxml, .abc and .mid. Nothing was written.
database_not_installed = PostgreSQL is not installed. Install Debian's package “postgresql”, then start again.
database_tool_failed = { $tool } failed: { $text }
database_stopped = PostgreSQL stopped at once; see { $log }.
database_no_answer = PostgreSQL did not answer in 30 s; see { $log }.
database_folder_unreachable = The database runs as the user “postgres”, who cannot enter { $folder }. Nothing was started. Choose another folder with KOPJE_DATA, or let others pass through the ones above it.
database_left_over = Another database still works in { $folder } and does not end. Nothing was started; look which process that is.
already_running = Kopje is running already on port { $port }, with the data in { $folder }. Nothing was started and nothing was stopped.
school_beside_demo = An earlier version kept this school beside the demo, in { $folder }, and the demo is running there. Nothing was started; stop the demo once, then start again: the school is moved to where it lasts.
time_zone_unknown = This machine knows no time zone “{ $name }”. Nothing was kept.
port_taken = Port { $port } is taken by another program. Nothing was started; choose another one with KOPJE_PORT.
setting_refused = { $name } cannot be “{ $given }”: { $why }. Nothing was started.
no_such = There is no such { $what } in your school.
no_such_part = There is no such part in this lesson. It may have been proposed anew; look again.
too_many_sentences = { $most } sentences are kept already. Nothing was changed; drop one first.
too_many_sections = { $count } sections are more than a school has. Nothing was kept.
left_before_joined = { $name } joined on { DAY($day) }, so it cannot have left before. Nothing was changed.
plan_no_lessons = { $section } has no lessons this year. Give it meeting times in Set-up, then ask again.
plan_collides = These cannot all be kept: { $wishes } Nothing was changed.
plan_lesson_not_to_come = Lesson { $lesson } is not among the lessons to come ({ $first } to { $last }). Nothing was changed.
plan_phase_length = A phase or a rest has 1 to { $most } lessons. Nothing was changed.
plan_rest_needs = A rest needs the lesson it begins with and its length. Nothing was changed.
plan_dates_crossed = “Not before” lies after “not after”. Nothing was changed.
lesson_running = { $section } is in its lesson now. End it first; nothing was changed.
plan_no_meetings = { $section } has no meeting times yet. Add them in Set-up, then ask again.
plan_no_lesson_left = { $section } has no lesson left this year. Look at the terms in Set-up, then ask again.
plan_no_longer_offered = That is no longer offered here. Nothing was changed; open the alternatives again.
lesson_over = This lesson was taught and stays as it was. Change the next one instead.
year_no_term = A year needs at least one term. Nothing was changed.
extra_lesson_needs = An extra lesson needs its section and its time. Nothing was changed.
sequence_not_shipped = There is no such shipped sequence. Nothing was changed.
sequence_no_version = There is no such version. Nothing was changed.
school_there = This Kopje already has a school. Sign in instead.
name_too_long = “{ $name }” is too long for a name. Nothing was kept; put one name on a line.
too_many_names = { $count } names are more than one section can hold. Nothing was kept.
grades_apart = A class holds one grade or two neighbouring ones, not { LOW($low) } and { LOW($high) }. Nothing was kept.
section_there = There already is a section { $section }. Nothing was kept; choose another name.
signed_out = You are signed out. Sign in again; nothing is lost.
song_removed = “{ $song }” was taken out of your songbook. The songbook lists it; take it back there.
song_no_such_fact = A song has no fact “{ $name }”. Nothing was changed.

## Kinds of things in the sentences above
count_of_parts = parts
count_of_bars = bars
count_of_notes = notes
count_of_notes_in_bar = notes in one bar
count_of_tunes = tunes in one file
what_divisions = divisions
what_octave = octave
what_alteration = alteration
what_key_signature = key signature
what_section = section
what_lesson = lesson
what_child = child
what_change = change
what_concert = concert
what_song = song
what_sentence = sentence
what_event = event
in_bar = in bar { $bar }
at_row = Row { $number }
at_item = Item { $number }
at_concept = Concept { $number }

## What a file or the core says
row_section = no section, or one with a name longer than 20 letters
row_name = a name longer than 60 letters
row_two_grades = { $section } is grade { $one } further up, and { $other } here
row_not_in_files = enrolls somebody in a class, and one of them is not in the files
not_a_syllable = “{ $text }” is not a syllable such as do, so, or la'.
not_a_letter = “{ $text }” is not a letter name such as F or Bb.
not_a_meter = “{ $text }” is not a meter such as 2/4 or 6/8.
not_a_pitch = “{ $text }” is not a pitch such as F#4 or Bb3.
concept_unknown = There is no concept “{ $key }” in this sequence. Nothing was changed.
sequence_cycle = These concepts wait for each other: { $concepts }.
activity_unknown = There is no activity “{ $key }”.
material_unknown = There is no material of the kind “{ $kind }”. Nothing was kept.
plan_nothing_to_propose = There is nothing to propose yet. Bring in a few songs first.
plan_no_lesson_fits = No lesson fits these minutes and pins. Take out a pin, or give the lesson more minutes.
song_rests_on = A song can rest on { $tones }. Nothing was changed.
song_beat = A beat is one of { $beats }. Nothing was changed.
beat_in_eighths = in eighths
beat_in_quarters = in quarters
beat_in_dotted_quarters = in dotted quarters
beat_in_halves = in halves
beat_in_dotted_halves = in dotted halves
rhythm_no_figure = There is no figure “{ $figure }”. Nothing was changed.
rhythm_syllables = { CAP($figure) } has { $wanted ->
    [one] { $wanted } syllable
   *[other] { $wanted } syllables
  }, one for each note that sounds, and you gave { $given }. Nothing was changed.
song_phrases = A song has at most { $most } { $word_phrases } here. Nothing was changed.
song_has_and_lacks = A song cannot both have a concept and lack it. Nothing was changed.
song_letters = The song has { $phrases ->
    [one] { $phrases } { $word_phrase }
   *[other] { $phrases } { $word_phrases }
  }, but { $letters } letters were given. Nothing was changed.
recast_no_parallel = Only a song in major or minor has a parallel tonality. Nothing was changed.
recast_no_mode = Only a song in a tonality, and another one, has such a mode. Nothing was changed.
recast_key_changes = A song that changes its key cannot be recast as a whole. Nothing was changed.
recast_tonality_changes = A song that changes between major and minor cannot be recast as a whole. Nothing was changed.
recast_no_syllable = { $tone } has no syllable in that tonality. Nothing was changed.
echo_beats = A call has 1 to 16 beats.
rows_too_few_tones = There are too few tones above this one for such rows. Choose a lower one.
game_questions = A game of this kind has { $fewest } to { $most } questions. Nothing was made.
span_backwards = “{ $name }” ends ({ DATE($last) }) before it begins ({ DATE($first) }). Nothing was kept.
this_span = This span
cycle_days = A cycle has 2 to 20 days, not { $days }. Nothing was kept.
terms_overlap = The terms “{ $one }” and “{ $other }” overlap. Nothing was kept.
terms_too_long = The terms span more than a year and a half. Nothing was kept; look at their years.
rolled_over_already = The school went into its next year on { DATE($day) } already. Nothing was changed.
import_back = It had been taken out of your songbook, and is back with all that was said about it.
import_already = It was already in your songbook.
import_not_read = { $count ->
    [one] { $count } song of this file was not read
   *[other] { $count } songs of this file were not read
  }: at most { $most } at once. Bring them in as a file of their own.
sign_in_slowed = Too many tries. Wait { $seconds } seconds, then try again; nothing is lost.
sign_in_failed = Name and password do not belong together. Try again.

## What the server itself refuses
request_invalid = Something in the request is not as it should be. Nothing was kept.
request_not_served = Kopje does not serve this address in this way. Nothing was kept.
field_wrong = “{ $field }”: { $why }
field_unknown = This is not known here.
no_such_address = There is no such address.
database_silent = Kopje's database did not answer. Nothing was changed; what you marked stays on this device and is sent again.
unkeepable = A text holds a sign that cannot be kept, or a number is out of all bounds. Nothing was kept.
unexpected = Something went wrong in Kopje. Nothing was changed; try again, and tell whoever looks after Kopje.
changed_meanwhile = The same thing was changed elsewhere at this moment. Nothing of yours was kept; look again, then try once more.
stale_lesson = This lesson was changed meanwhile, perhaps in another window. Nothing of yours was kept; here it is as it stands now.
stale_plan = What this was worked out from has changed meanwhile. Nothing was kept; try once more.
busy_solving = This is being worked out already, perhaps in another window. Nothing was changed; look again in a moment.
solver_ended = The computation was ended from outside before it had an answer. Nothing was changed; try once more.
plan_nothing_to_undo = There is nothing to take back: the plan is as it was last laid, or lessons have moved it since.
plan_no_such_lesson = { $section } has no lesson to plan on { DATE($day) } at that time. Look at the week, then ask again.

## Why an event was kept aside
aside_section = It speaks of a section that is not in your school.
aside_lesson = Its lesson is not known here, and nothing says when it was.
aside_part = Its part is not in this lesson.
aside_child = The child is not in your school any more.
aside_child_elsewhere = The child is not in this section.
aside_concept = There is no concept “{ $concept }” in your sequence.
aside_activity = There is no activity “{ $activity }”.
aside_id_taken = The same mark is here already with other contents; the first one stands.
aside_sequence_taken = Another event of this device has its place in the order.
at_row_named = Row { $number } ({ $name })
