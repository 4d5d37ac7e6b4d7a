/** Something that was not done, and how whoever asked is answered. */
export class Refused extends Error {
  /** Seconds after which it may be asked for again, where that helps. */
  readonly retryAfter?: number;

  /**
   * @param status of HTTP @param code for programs @param message what to change, as a sentence
   * @param details beside them in the answer
   */
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly details: object = {},
  ) {
    super(message);
    this.name = new.target.name;
  }
}
