/** A text with its first letter large: the beginning of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A text with its first letter small: inside a sentence. */
export const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
