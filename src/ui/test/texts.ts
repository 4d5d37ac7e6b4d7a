/** Every text of `ui/test`, by the file that shows it. */

export const findFaultLink = {
  findTheFault: 'Find the fault',
};
