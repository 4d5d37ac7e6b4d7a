/** Every text of `ui/strip`, by the file that shows it. */

export const spoken = {
  firstRing: 'first ring',
  secondRing: 'second ring',
  pin: (contacts: string) => `pin ${contacts}`,
  atThe: (at: string) => `At the ${at}`,
  thePlugDoesNotFit: (where: string) => `${where}: the plug does not fit.`,
  tip: 'tip',
  ring: 'ring',
  sleeve: 'sleeve',
  joined: ' and ',
  contactsAre: (contacts: string, state: string, each: boolean) => `${contacts} ${state}${each ? ' each' : ''}`,
  floating: 'floating',
  atVolts: (volts: string, amps: string) => `at ${volts} V${amps}`,
};

export const strip = {
  probeContact: (contact: string) => `Probe contact ${contact}`,
};
