/** Every text of `app/noise/brief`, by the file that shows it. */

export const page = {
  briefForAnElectrician: 'Brief for an electrician',
  outletOrStrip: 'Outlet or strip',
  pluggedInto: 'Plugged into',
  lead: 'Lead',
  earthPath: 'Earth path',
  ratedFor: 'Rated for',
  load: 'Load',
  whatIsPlugged: 'What is plugged in',
  briefForALicensedElectrician: 'Brief for a licensed electrician',
  backToTheNoise: 'Back to the noise',
  theseAreQuestionsNotInstructions:
    'These are questions, not instructions. Fixed wiring, boards and earth rods are done by a licensed electrician, under local code; protective earth and residual-current protection stay. A generator’s neutral is joined to earth, or not, as its maker and local code say.',
  whatIsWantedAndWhy: 'What is wanted, and why',
  nothingConcernsTheWiringWhat: 'Nothing concerns the wiring: what hums here is mended without it.',
  circuitsAndLoads: 'Circuits and loads',
  calculatedLeakageOfAllEarthed: (leakage: string) =>
    `Calculated leakage of all earthed units together: ${leakage}. Loads that nobody has stated are usual ones for their kind.`,
  foundAndDone: 'Found and done',
  dateNameLicence: 'Date, name, licence: ____________________________________________',
  measuredEarthPathInsulationResidual:
    'Measured earth path, insulation, residual-current device: ____________________________________________',
  nothing: 'nothing',
};
