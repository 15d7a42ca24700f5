/** R32: words that no text of the application may use. User-typed text is left alone. */
const PROMISES = /\b(safe(r|ly)?|non-?toxic|harmless|hypoallergenic|chemical-free)\b|(food|child|baby|pet)-safe|colou?r-?fast/i;

/** The promise a text makes, or null. */
export const promiseIn = (text: string): string | null => PROMISES.exec(text)?.[0] ?? null;
