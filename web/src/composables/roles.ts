// What an adult sees of the application, by what she may do.
/** Those who teach here see everything; a substitute only the day; a viewer only what was made for her. */
export const teaches = (role: string | undefined) => role === 'owner' || role === 'teacher'
export const standsIn = (role: string | undefined) => role === 'substitute'
