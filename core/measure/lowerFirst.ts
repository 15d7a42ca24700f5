/** A title in the middle of a sentence: "add the opposite: about 4 mL". Only its first letter: units and names keep theirs. */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
