/** Answers in one tap, by the words of the contract. */
export const STATE = { wet: 'wet', rinsed: 'rinsed', dry: 'dry', cured: 'cured' } as const;
export const LIGHT = { daylight: 'daylight', shade: 'in the shade', lamp: 'a lamp' } as const;
export const DEPTH = { asWanted: 'as wanted', paler: 'paler', darker: 'darker' } as const;
export const STRENGTH = { pale: 'pale', medium: 'medium', dark: 'dark' } as const;
export const EVEN = { even: 'even', blotched: 'blotched', blotchedOnPurpose: 'blotched on purpose' } as const;
export const BLED = { no: 'no', yes: 'yes', unsure: 'unsure' } as const;
