// Every word a user sees. Functions where a number or a name goes in.
const few = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`

export const say = {
  app: 'Kopje',
  places: { week: 'Week', year: 'Year', today: 'Today', songs: 'Songs', ledger: 'Ledger', setUp: 'Set-up', main: 'Main places', day: 'The day' },
  keys: {
    title: 'Keys', close: 'Close', open: 'Keys', search: 'Search songs and sections', none: 'No keys on this page beyond the arrows and Tab.',
    pitch: 'Starting pitch', tonic: 'Tonic pattern', next: 'Next', previous: 'Previous', done: 'Done', partly: 'Partly', skip: 'Skip',
    secure: 'Secure', nearly: 'Nearly', notYet: 'Not yet', absent: 'Absent', undo: 'Take the last mark back', names: 'Hold: show names',
    pin: 'Pin', refuse: 'Refuse', propose: 'Propose anew', alternatives: 'Alternatives', choose: 'Choose a part', help: 'This sheet',
    teach: 'Teach', stone: 'Walk the grid', evidence: 'Open the evidence', which: 'Choose a child',
  },
  state: { loading: 'One moment …', failed: 'This could not be loaded.', again: 'Try again', offline: 'Kopje does not answer. What you marked is kept here and is sent when it answers again.' },
  signIn: { title: 'Sign in', login: 'Name', password: 'Password', go: 'Sign in', lead: 'The planner and the ledger that know the music.' },
  firstRun: {
    title: 'Begin', lead: 'One page, then you can plan. Everything can be changed later.', school: 'School', teacher: 'Your name', login: 'Name to sign in with',
    password: 'Password (8 characters or more)', section: 'Your first section', songs: 'Put the songs that come with Kopje into my songbook', go: 'Begin',
  },
  sectionForm: {
    name: 'Section, for instance 2A', grade: 'Grade', kindergarten: 'Kindergarten', gradeOf: (n: number) => (n === 0 ? 'Kindergarten' : n === 13 ? 'Choir' : `Grade ${n}`),
    minutes: 'Minutes a lesson', names: 'Children, one name a line', namesHint: 'Paste a column. Names as you call them; nothing else is needed.',
    meets: 'Meets', day: 'Day', time: 'Time', usual: 'as usual', minutesHere: 'Minutes (empty: as usual)', addMeeting: 'Add a meeting', removeMeeting: 'Remove this meeting',
    earlier: 'Earlier grades brought their usual concepts (you can change this later)', counted: (n: number) => few(n, 'child', 'children'),
  },
  weekdays: ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
  strip: {
    today: 'Today', on: (day: string) => day, none: 'No lessons are timetabled yet. Add meeting times in Set-up.', leftOver: (n: number) => `${n} left over`,
    running: 'in the room now', done: 'taught', notHeld: 'did not happen', leftOverHere: 'left over', now: (clock: string) => `now ${clock}`,
  },
  today: {
    rest: 'That was the last lesson of the day.', next: (name: string, minutes: number) => (minutes > 90 ? `${name} comes next` : minutes > 0 ? `${name} in ${minutes} min` : `${name} is due now`),
    nextDay: (name: string, day: string, time: string) => `${name} on ${day} at ${time}`,
    start: (pitch: string) => `start on ${pitch}`, left: (n: number) => `${few(n, 'thing')} left over`, hear: (names: string) => `hear ${names}`,
    noNames: 'nobody is due to be heard', later: 'Later', all: 'All sections', teach: 'Teach', goOn: 'Go on teaching', look: 'Look at the lesson', propose: 'Propose the lesson',
    firstThing: 'First', inRoom: 'in the room', noLesson: 'No lesson is proposed yet.',
  },
  section: {
    title: (grade: number, roll: number) => `${grade === 0 ? 'Kindergarten' : grade === 13 ? 'Choir' : `Grade ${grade}`} · ${few(roll, 'child', 'children')}`,
    lessons: (n: number) => `${few(n, 'lesson')} taught`, due: 'Due', secure: 'Secure in', nothingSecure: 'Nothing has been heard often enough yet.',
    declared: (n: number) => `${n} more declared from earlier years`, songsFor: 'Songs for this', nextLesson: 'Next lesson', ledger: 'Ledger', open: 'Open the lesson',
    ahead: 'Lessons after that', proposeThis: 'Propose it', propose: 'Propose the lesson', noSongs: 'The songbook is empty. Bring in a few songs first.', bringSongs: 'Go to the songs', barred: (n: number) => `${few(n, 'song')} will not do for this`,
    keyBest: (key: string) => `do = ${key}`, met: (n: number) => (n ? `sung in ${few(n, 'lesson')}` : 'new to them'), nothingDue: 'Nothing is due: everything of this grade is named and ready.',
  },
  purpose: { prepare: 'prepare', present: 'present', practise: 'practise' },
  lesson: {
    title: (n: number) => `Lesson ${n}`, minutes: (n: number, of: number) => `${n} of ${of} minutes`, new: 'new', known: 'known', leftOver: 'left over', why: 'Why this?', alternatives: 'Instead', pin: 'Pin', unpin: 'Unpin',
    pinned: 'pinned', refuse: 'Not for this section', propose: 'Propose anew', teach: 'Teach', goOn: 'Go on teaching', over: 'This lesson is over.', notHeld: 'This lesson did not happen.', reopen: 'Open it again', note: 'Your note', swap: 'Take this', none: 'Nothing else fits here.',
    newThing: (what: string) => `new: ${what}`, care: 'Care', props: 'Fetch', best: 'best possible', found: 'best found', hears: (n: number) => `${n} heard alone`, proposing: 'Proposing …',
    lastNote: 'From last time', unmet: 'Not kept', nextOne: 'Propose the next lesson', energy: { seated: 'seated', standing: 'standing', moving: 'moving' }, choose: 'Choose a part to see why it is there and what else would fit.', was: { done: 'done', partly: 'partly', skipped: 'skipped', open: 'not reached' },
  },
  outbox: {
    unsent: (n: number) => `${few(n, 'thing')} not sent yet`, aside: (n: number) => `${few(n, 'thing')} to settle`, title: 'Not sent, and set aside', lead: 'What you mark is kept on this device first and then sent. Nothing here is lost; nobody else sees it.', away: 'Kopje does not answer. It is tried again by itself.', out: 'You are signed out. Sign in again, and it is sent.', none: 'Everything has been sent, and nothing waits to be settled.', waiting: 'Waiting to be sent', refusedTitle: 'Not accepted as it is', asideTitle: 'Set aside by Kopje', again: 'Try again', drop: 'Let it go', full: 'This device has no room left, so the last mark was not kept. Free some space, then mark again.', sendNow: 'Send now',
    kinds: { started: 'lesson begun', ticked: 'a part ticked', marked: 'a mark', taken_back: 'taken back', absent: 'absent', noted: 'a note', ended: 'lesson ended', reopened: 'lesson opened again', rated: 'how a part went', not_held: 'lesson did not happen' },
  },
  teach: {
    of: (n: number, all: number) => `${n} of ${all}`, previous: 'Previous', next: 'Next', done: 'Done', partly: 'Partly', skip: 'Skip', end: 'End the lesson', minutes: 'min', left: (n: number) => `${n} min left in the lesson`, over: (n: number) => `${n} min over`,
    names: 'Hold to show names', mine: 'Only I see this screen', projector: 'Projector', listening: (concept: string, way: string, help: string) => `${concept} · ${way} · ${help}`,
    ways: { hear: 'hearing it', sing: 'singing or playing', read: 'reading', write: 'writing', create: 'making' }, helps: { none: 'alone, no help', model: 'with a model', signs: 'with signs or pointing' },
    queue: 'Hear these', then: 'then', nobody: 'Everybody on the roll was heard or is absent.', hidden: (n: number) => `Child ${n}`, undo: 'Undo', note: 'One line for next time', noteHint: 'It is shown before the next lesson.', heard: (n: number) => `${n} heard`,
    ended: 'What was not done comes again in the next lesson, as far as it finds room there; the others are named.', startPitch: 'Start', noMusic: 'No notation here.', ticked: { done: 'done', partly: 'partly', skipped: 'skipped' },
    namesHidden: 'Names are hidden while this screen may be mirrored.', now: 'now hearing', hearing: 'Hearing queue', activity: 'Activity',
  },
  projector: { title: 'Projector', waiting: 'Waiting for the lesson …', look: 'Look and listen' },
  ledger: {
    title: 'Ledger', children: 'Child', readiness: 'The class', empty: 'Nothing has been heard or taught here yet. Teach a lesson and mark a few children.', legend: 'Legend', evidence: 'Evidence', noMarks: 'No marks: nobody listened yet.', choose: 'Choose a stone to see the marks behind it.',
    marks: 'Marks, newest first', ways: 'By way', named: 'named', notNamed: 'not named yet', declared: 'declared', answers: { ready: 'ready', teach_again: 'teach again', split: 'split', hear_more: 'hear more', nobody_heard: 'not heard' },
    voices: { alone: 'alone', group: 'in a group', class: 'with the class' }, results: { secure: 'secure', nearly: 'nearly', not_yet: 'not yet' }, share: (good: number, heard: number) => `${good} of ${heard}`,
  },
  year: {
    title: 'Year', ridge: 'The year of', was: 'taught', lay: 'Lay the year', layAgain: 'Lay it anew', laying: 'Laying …', none: 'Nothing is laid over this year yet.', waysOut: 'Ways out', looking: 'Looking for ways …', take: 'Take this', back: 'Keep it as it is', preview: 'Preview: this is what the year would look like.',
    phases: { prepare: 'prepare', present: 'name it', practise: 'practise', warm: 'keep warm', assess: 'assess' } as Record<string, string>,
    fits: 'best possible', kept: 'in the order you had; lay it anew to look for a better one', found: (gap: number) => (gap > 0 ? `best found, at most ${gap} points from best` : 'best found'), reserve: (n: number) => `${few(n, 'lesson')} in reserve`, held: (n: number, of: number) => `${n} of ${few(of, 'lesson')} held`, minutes: (n: number) => `${Math.floor(n / 60)} h ${n % 60} min of contact left`,
    assumed: 'No terms are entered yet, so September to June is assumed.', toSetUp: 'Enter the terms', leftOut: 'No room this year', later: 'Waits for next year', nobody: 'Nothing.', table: 'The same as a table', concept: 'Concept', from: 'from', lesson: 'lesson',
    begin: 'Begins in lesson', earlier: 'Earlier', laterOne: 'Later', longer: 'Longer', shorter: 'Shorter', prepare: 'Prepare', practise: 'Practise', nextYear: 'Wait for next year', thisYear: 'Bring it back into this year', free: 'Let Kopje place it', placed: 'You placed it here.', split: 'Split it', splitFrom: 'Rest from lesson', splitFor: 'for', splitLessons: 'lessons', join: 'Join it again', rests: (from: string, n: number) => `It rests from ${from} for ${few(n, 'lesson')}.`, notBefore: 'Not named before', notAfter: 'Not named after', begun: 'It has begun: what was taught stays as it was.',
    moved: 'This moved with it', by: (n: number) => (n > 0 ? `${few(n, 'lesson')} later` : `${few(-n, 'lesson')} earlier`), nothingMoved: 'Nothing else moved.', legend: 'Legend', taughtLegend: 'taught', plannedLegend: 'planned', lessonsOf: (n: number) => few(n, 'lesson'),
    where: 'Where will they be on', grade: (g: number) => (g === 0 ? 'Kindergarten' : g === 13 ? 'Choirs' : `Grade ${g}`), atWork: 'At work', spare: (n: number) => (n < 0 ? `short by ${-n}` : `${n} to spare`), behind: (n: number) => (n ? `${few(n, 'lesson')} behind` : 'furthest on'), byThen: (n: number) => `${few(n, 'lesson')} held by then`, fitAll: 'Lay every year anew', fitting: (n: number, of: number) => `${n} of ${of} laid`, stop: 'Stop', open: (name: string) => `The year of ${name}`, school: 'The school’s year', choose: 'Choose a stratum to move, lengthen or shorten it.',
  },
  child: { title: 'This child on the roll', name: 'Name to display', section: 'Section', keep: 'Keep this', left: 'Left the school', stays: 'Marks stay with the child.' },
  rollOver: {
    heading: 'Next school year', lead: 'Sections go up a grade with their children and their marks; what was secure is due to be heard again.', look: 'What would happen', go: 'Go into the next school year', done: 'Done. Enter the new terms above.',
    becomes: (was: string, name: string) => `${was} becomes ${name}`, leaves: (was: string) => `${was} leaves the school`, begins: (name: string) => `${name} begins, still without children`,
  },
  sequence: {
    title: 'The sequence', lead: (n: number) => `${few(n, 'concept')} in the order of teaching. Within a strand the next begins once the one before was practised.`, keep: 'Keep as a new version', kept: (n: number) => `Kept as version ${n}.`, along: (names: string) => `Kept. ${names} came along, because it was taught or heard already.`, read: (n: number) => `${few(n, 'concept')} read. Look through them, then keep them.`,
    startFrom: 'Start from', shipped: { 'so-mi': 'so-mi first', 'mi-re-do': 'mi-re-do first', scale: 'scale first' }, bring: 'From a file', add: 'Add a concept', fresh: 'A new concept', strand: 'Strand', grade: 'Grade', after: (names: string) => `after ${names}`, up: 'Earlier', down: 'Later', more: 'More', needs: 'Comes after', sign: 'Sign', prompt: 'A question for the class', ways: 'A child shows it by', notBefore: 'Each year not named before', notAfter: 'and not after', anyDay: 'any day', core: 'Core: it has to find room in its year', remove: 'Take it out', versions: 'Versions', back: 'Go back to this',
  },
  words: {
    title: 'What you call things', lead: 'From here on every page, plan and print says it your way. What is kept stays the same.', so: 'Fifth degree', ti: 'Seventh degree', siNote: 'With si for the seventh, the raised so is written so♯.',
    names: 'Degrees are shown as', namesOf: { solfa: 'syllables', numbers: 'scale numbers', letters: 'letter names where a song gives them' }, rhythm: 'Rhythm is spoken as', rhythmOf: { 'ta-titi': 'ta, ti ti, by value', 'beat-function': 'ta di, ta ka di mi, by place in the beat', 'macro-micro': 'du de, du ta de ta, by place in the beat', counting: '1 &, 1 e & a, counted' },
    minor: 'Minor is read from', minorOf: { la: 'la', do: 'do (do re me)' }, model: 'Learning goes through', own: 'Your words', usual: (n: number) => few(n, 'lesson'), keep: 'Keep these words', kept: 'Kept. Every page says it so from now on.',
  },
  monthDay: { month: (what: string) => `${what}: month`, day: (what: string) => `${what}: day` },
  bars: { title: 'Colours of the bars', lead: 'Only if the bars in your room are coloured: set each as it is there. A song can then show them; the letters stand beside.', none: (bar: string) => `No colour for ${bar}` },
  singers: { title: (name: string) => `Who sings in ${name}`, lead: 'Children of the classes; their marks go with them.', none: 'No class has children yet.', count: (n: number) => few(n, 'singer'), keep: 'Keep', kept: 'Kept.' },
  typing: {
    title: 'Type a song', open: 'Type a song', name: 'Title', line: 'Tones, beat by beat', words: 'Words, syllable by syllable', keep: 'Keep it in the songbook', example: 's m | sl s\ns -l | s -', wordsExample: 'Up the hill we\nclimb at noon', sums: (n: number) => `${few(n, 'bar')}, all add up.`, without: (n: number) => `${few(n, 'tone')} without a syllable.`,
    hint: 'A space between beats; tones of one beat side by side: d r m f s l t, or letters C D E F G A B, with , for low and \' for high. - holds, . is silence, | is a bar line. A new line begins a new phrase; =1 is line 1 again, =1 r d the same with another end. In the words an empty line begins the next verse.',
  },
  ask: { title: 'Which songs', forWhom: 'Songs for', anybody: 'anybody', add: 'that has …', groups: { concept: 'What you teach', tone: 'Tones', figure: 'Rhythms', meter: 'Meters', set: 'Tone sets', rests: 'Home' }, keep: 'Keep this sentence', keptAs: 'Call it', kept: 'Kept:', dropKept: (name: string) => `Forget “${name}”`, more: (n: number) => `${few(n, 'more song')}`, sungBefore: (n: number) => `sung in ${few(n, 'lesson')}`, has: (name: string) => `has ${name}`, drop: (name: string) => `No longer: has ${name}`, known: (name: string) => `else only what ${name} knows`, fits: (name: string) => `fits ${name}’s voices`, fresh: 'new to them', rested: 'Last sung', whenever: 'whenever it was sung', notSince: (weeks: number) => `not sung for ${few(weeks, 'week')}`, found: (n: number) => few(n, 'song') },
  insight: {
    tabs: { made: 'Made of', words: 'Words', phrases: 'Phrases', keys: 'Best keys', drills: 'Practise', games: 'Games', about: 'About' }, tabsTitle: 'More about this song', verse: (n: number) => `Verse ${n}`, onTones: 'Words on each tone', held: (tones: string) => `held over ${tones}`, wordless: 'This song has no words.',
    hard: 'How hard', axes: { tones: 'tones', motion: 'motion', rhythm: 'rhythm', meter: 'meter', key: 'key', range: 'range' } as Record<string, string>, step: (n: number) => `${n} of 5`,
    phrases: 'Phrase by phrase', moves: (counts: Record<string, number>) => [[counts.repeat, 'repeat'], [counts.step, 'step'], [counts.skip, 'skip'], [counts.leap, 'leap']].flatMap(([n, what]) => (n ? [few(Number(n), String(what))] : [])).join(', ') + (counts.half_step ? ` (${few(counts.half_step, 'half step')})` : ''), phrasesFrom: { told: 'They begin where you said.', marks: 'They begin where the file shows it: line ends, breath marks, repeats.', spans: 'The file does not show phrases; these are equal spans.' }, heard: (bars: number[]) => `From long tones, rests and repeats they seem to begin in ${bars.length === 1 ? 'bar' : 'bars'} ${bars.join(', ')}.`, takeHeard: 'Take these', strong: 'only strong beats', line: (label: string) => `The line of phrase ${label}`, hear: 'Hear it', bars: (first: number, last: number) => (first === last ? `bar ${first}` : `bars ${first}–${last}`), elsewhere: (doIs: string, tonality: string) => `here do = ${doIs}, ${tonality}`, turns: 'Turns that come back', stairs: 'Stairs', hands: 'Hand signs', mirrored: 'as in a mirror, for those who face you', ownView: 'as you see your own hand', levels: 'Dotted: waist, chest, eyes.', beside: { ladder: 'Ladder', stairs: 'Stairs', hands: 'Hands' }, besideTitle: 'Show the tones as', words: (tone: string, words: string) => `On ${tone}: ${words}`, noWords: (tone: string) => `No words on ${tone}.`, mend: 'Mend it:',
  },
  keyFor: { singSo: 'Sing it so', sungSo: 'sung so', title: 'Best keys', whom: 'for', purpose: 'to', purposes: { voices: 'sing', bars: 'sing and play on bars', recorder: 'play on the recorder', reading: 'read with one sign at most' }, written: 'as written', show: 'Show it so', none: 'No key with four signs or fewer puts it inside their outer limits.', printed: (letter: string) => `Printed with do = ${letter}. “Show it so” looks at it in that key; “Sing it so” leaves the score and moves what sounds.` },
  drills: { kind: 'What', kinds: { echo: 'calls to echo', up_and_down: 'up and back, one more each time', thirds: 'every other tone', sequence: 'three in a row, moving on', widening: 'signs to read, one new tone a row' }, beats: 'Beats', ending: 'Ending', endings: { any: 'any', home: 'at home', open: 'open' }, from: 'From', lowest: 'the lowest', home: 'ends at home', open: 'open end', none: 'No stretch of this length begins on a strong beat without cutting a tone.', sum: (tones: number, seconds: number) => `${few(tones, 'tone')}, about ${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')} with a breath after each row.` },
  games: { title: 'Which game', names: { masked: 'Sing some inside', trials: 'Which tonality?', guess: 'Guess the song' }, only: 'only these aloud', count: 'Questions', mayChange: 'it may change in the middle', again: 'Another order', answer: 'Show', half: 'changes in the middle', luck: (share: number, least: number | null, count: number) => (least === null ? `All ${count} right happens by luck in ${(share * 100).toFixed(0)} of 100: no evidence yet, ask more.` : `Evidence from ${least} of ${count} right on; all by luck: ${(share * 100).toFixed(1)} of 100.`), whose: 'Songs of', by: 'by', clues: { rhythm: 'rhythm', contour: 'ups and downs', words: 'some of its words' }, clap: 'Clap', noSongs: 'This class has not sung any song yet.', alike: (names: string) => `Would also fit: ${names}.` },
  about: { change: 'Change', keep: 'Keep', leave: 'Leave it', unsaid: 'not said', yes: 'yes', no: 'no', nothing: 'Nothing is said about this song yet.', unverified: 'Where it comes from has not been verified.', twins: 'Other tunes of this title' },
  variant: { title: 'Another way', how: 'Sound it', asIs: 'as it is', parallel: (name: string) => `in ${name}, same home`, half: (name: string) => `half in ${name}`, do: 'do is', written: (letter: string) => `${letter}, as written`, back: 'Back to the song as it is', said: 'This is not how the song is written.' },
  play: { title: 'Play', start: 'Play', stop: 'Stop', tempo: (n: number) => `${n} beats a minute`, tempoShort: (n: number) => `${n} a min`, tonicFirst: 'tonic first', what: 'What', all: 'all of it', phrase: (n: number, label: string) => `phrase ${n} (${label})`, loop: 'loop', rhythm: 'rhythm only', keyboard: 'Keyboard', on: 'On', instruments: { piano: 'piano', bars: 'bars', plain: 'plain tones' } },
  layers: { title: 'Under the notes', names: { words: 'words', degrees: 'syllables', numbers: 'numbers', letters: 'letters', rhythm: 'rhythm', motion: 'steps and skips', marks: 'only where needed', hands: 'hands', phrases: 'phrases' }, mirror: 'mirrored', own: 'own view', colours: 'bar colours', reading: 'Reading', readingHint: 'Hides every help: only the notes' },
  told: { title: 'Say it yourself', own: 'Worked out', computed: 'as worked out', printed: 'as printed', do: 'Do is', resting: 'It rests on', sung: 'Sung with do', beat: 'It is counted', phrases: 'Phrases begin in bars', letters: 'Letters of the phrases', has: 'It has', lacks: 'It has no', choose: 'choose …', untag: (name: string) => `No longer say: ${name}`, mended: (bars: string) => `Mended as you said: bar ${bars}. The file stays as it came.`, undo: 'Take it all back', beats: { '1/2': 'in eighths', '1': 'in quarters', '3/2': 'in dotted quarters', '2': 'in halves', '3': 'in dotted halves' } },
  roster: {
    title: 'The whole school from a table', lead: 'One row a child or a section, with a first row that names the columns: section, grade, name, minutes, meets. A OneRoster zip works too. Nothing is kept before you have looked at it.',
    example: 'section\tgrade\tname\tminutes\tmeets\n2A\t2\tAma\t30\tMon 09:10, Thu 09:50\n2A\t2\tJun', paste: 'Paste a table', look: 'Look at it', file: 'Choose a file', understood: (sections: number, children: number) => `${few(sections, 'section')} and ${few(children, 'child', 'children')} understood.`,
    meets: (n: number) => (n ? few(n, 'meeting') : 'no meeting times'), children: (n: number) => few(n, 'child', 'children'), row: (n: number) => `Row ${n}`, keep: 'Keep these', keepGood: 'Keep the good rows', leave: 'Leave it', kept: (sections: number, children: number, already: number) => `${few(sections, 'new section')}, ${few(children, 'child', 'children')} added${already ? `, ${already} already there` : ''}.`,
  },
  week: { title: 'Week', next: 'Next week', before: 'Week before', noLessons: 'No lessons.', nothing: 'nothing is laid', lesson: (n: number) => `lesson ${n}`, change: 'Room' },
  calendar: {
    title: 'The year', terms: 'Terms', holidays: 'Holidays', name: 'Name', first: 'First day', last: 'Last day', addTerm: 'Add a term', addHoliday: 'Add a holiday', save: 'Keep these dates', saved: 'Kept. Every section’s lessons are counted anew.', cycle: 'Timetable', weekly: 'by weekday', days: (n: number) => `${n}-day cycle`, remove: 'Remove', lost: 'A lesson lost, or an extra one', kind: 'What', lostKind: 'lost', extraKind: 'extra', day: 'Day', time: 'Time (empty: the whole day)', why: 'Why', who: 'Sections (none: all)', add: 'Add', concerts: 'Concerts', addConcert: 'Add the concert', concepts: 'What it needs', all: 'all sections', missing: 'Still missing', nothingMissing: 'Everything a year needs is there.', noTerms: 'terms', noMeetings: (names: string) => `meeting times for ${names}`, noSections: 'sections', out: 'Take the calendar along (iCalendar)', bring: 'Holidays from a calendar file', brought: (n: number) => `${few(n, 'holiday')} read. Look at them, then keep the dates.`,
  },
  standing: {
    not_heard: 'not heard', not_yet: 'not yet', nearly: 'nearly', secure: 'secure', once: 'showed it once', due: 'secure, due for review', once_due: 'showed it once, due for review', partly: 'heard in one way, not yet in another',
  },
  songs: {
    title: 'Songs', find: 'Find by title, tone or meter', bring: 'Bring in songs', drop: 'Drop or paste files or a tune here: MusicXML, .mxl, ABC or MIDI', notATune: 'What was pasted is neither ABC nor MusicXML. Nothing was kept; paste the whole text of a tune.', shipped: 'Add the songs that come with Kopje', none: 'No song yet.', nothing: 'No song matches.', report: 'What became of the files',
    added: 'added', already: 'already there', refused: 'not read', problems: (n: number) => `${few(n, 'thing')} to look at`, bars: (n: number) => few(n, 'bar'), ours: 'from Kopje', count: (n: number) => few(n, 'song'), busy: 'Reading …', reading: (done: number, all: number) => `${done} of ${few(all, 'song')} read`, stop: 'Stop here', close: 'Close', sum: (added: number, already: number, refused: number) => [`${few(added, 'song')} added`, already ? `${already} already there` : '', refused ? `${few(refused, 'file')} not read` : ''].filter(Boolean).join(', ') + '.',
  },
  song: {
    home: 'Home', open: 'Open the song', pointed: (bar: number, tone: string, pitch: string) => [`Bar ${bar}`, tone, pitch].filter(Boolean).join(', '), pointHint: 'Press a note to hear it and see it in all pictures; arrow keys walk on from there.', rests: (tone: string) => `rests on ${tone}`, restsNot: 'rests on nothing', sure: (share: number) => `${Math.round(share * 100)} % sure`, doIs: (d: string) => `do = ${d}`, sungWith: (letter: string) => `Sung with do = ${letter}: the starting pitch, what plays and the keyboard follow that; the score stays as printed.`, doUnknown: 'do is not known', tonality: { major: 'major', minor: 'minor', dorian: 'dorian', phrygian: 'phrygian', lydian: 'lydian', mixolydian: 'mixolydian', not_established: 'no tonality yet' } as Record<string, string>,
    toneSet: 'Tones', range: 'Range', meter: 'Meter', form: 'Form', final: 'Ends on', elements: 'Rhythm', motion: 'Motion', problems: 'To look at', facts: 'Facts', ladder: 'Ladder', bar: (n: number) => `bar ${n}`, bars: (list: number[]) => (list.length > 6 ? `${list.slice(0, 6).join(', ')} …` : list.join(', ')),
    times: (n: number) => `${n}×`, motions: { repeat: 'repeat', step: 'step', skip: 'skip', leap: 'leap', half_step: 'of these half steps' } as Record<string, string>, remove: 'Remove from the songbook', file: 'as it came', files: 'File:', print: 'Print:', printAll: 'with its facts', printBare: 'the notes alone', paper: 'Paper', unnamed: 'no name', noScore: 'The notation could not be drawn.', start: 'Starting pitch', tonic: 'Tonic pattern', whole: 'The class as a whole', start_on: (p: string) => `Start on ${p}`,
    names: { composer: 'By', words: 'Words', origin: 'Origin', kind: 'Kind', source: 'Source', rights: 'Rights', note: 'Note', book: 'Book', language: 'Language', verified: 'Verified', role: 'Role', game: 'Game', season: 'Season', culture: 'Culture', care: 'Care' } as Record<string, string>, score: (title: string) => `Score of ${title}`, times_long: 'lasts',
  },
  setUp: {
    sequence: 'What is taught, in which order and grade',    title: 'Set-up', section: 'Add a section', add: 'Add the section', added: (name: string) => `${name} is there now.`, screen: 'This device', night: 'Dark (for a dim hall)', keys: 'Single keys', volume: 'Volume', out: 'Sign out', everywhere: 'Sign out on every device', you: 'You', songs: 'Songs', mine: 'Only I see this screen: show names while teaching', sections: 'Sections',
  },
  drawer: { title: 'Reasons', close: 'Close the drawer' },
}

export type Say = typeof say
