/** Undyed wool, as it is drawn until somebody looked. */
export const UNDYED_HEX = '#ece6d8';
