/** Every text of `ui/figures`, by the file that shows it. */

export const figureField = {
  whereItComes: (label: string) => `${label}: where it comes from`,
  typeANumber: (unit: string) => `Type a number in ${unit}`,
  fromTo: (min: number, max: number, unit: string) => `From ${min} to ${max} ${unit}`,
  open: 'open',
};
