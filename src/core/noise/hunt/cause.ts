/** How a component may come about. */
export type Cause =
  /** From sets of suspects, each when all of a set are on, on top of what stays. */
  | 'suspects'
  /** From one of them, but not always when it is on; or, with no suspect, from something that comes and goes by itself. */
  | 'comes and goes'
  /** From something that nobody has listed: no set of suspects goes with it. */
  | 'does not fit';
