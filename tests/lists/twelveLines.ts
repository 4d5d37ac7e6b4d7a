/** The twelve lines of somebody who begins with nothing, as they type them, on a desk, a bag recorder and a camera. */
export const TWELVE_LINES: readonly string[] = [
  '2 x sdc "Trio #" > 10m > desk 1-2',
  'ribbon > 6m > desk 3',
  'dyn "Guide" > 10m > desk 4',
  'dyn "Host" > 20m > desk 9',
  'kbd "Piano L/R" > di > 10m > desk 10-11',
  '2 x lav "Guest #" > converter > desk 12-13',
  'ldc "Voice" > 10m > bag 1',
  'shotgun > 5m > bag 3',
  'on-camera > camera',
];
