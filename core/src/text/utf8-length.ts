const utf8 = new TextEncoder();

/** How many bytes a text takes in UTF-8. */
export const utf8Length = (text: string): number => utf8.encode(text).length;
