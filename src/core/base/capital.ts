/** A text begun as a sentence is: with a capital, whatever the name it begins with. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
