// The layers of a score in the order of their keys, 1 to 9.
export const LAYERS = [
  'words',
  'degrees',
  'numbers',
  'letters',
  'rhythm',
  'motion',
  'marks',
  'hands',
  'phrases',
] as const
