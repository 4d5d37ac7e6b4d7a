/** A word of the trade or of this application, in two sentences. */
export interface Term {
  id: string;
  term: string;
  /** What is linked to it where it appears in a text; nothing where the word means too many other things. */
  words: readonly string[];
  text: string;
}
