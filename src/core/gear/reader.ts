/** Reads figures (in SI units) and choices of a part, falling back to its kind's catalogue entry. */
export interface Reader {
  value(figure: string): number;
  optional(figure: string): number | undefined;
  choice(name: string): string;
}
