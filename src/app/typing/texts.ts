/** Every text of `app/typing`, by the file that shows it. */

export const page = {
  howToTypeLines: 'How to type lines',
  ribbon10MPatch12: 'ribbon > 10 m > patch 12 > desk 3',
  aRibbonOverACable: 'A ribbon over a cable of 10 m and patch point 12 into inlet 3 of the desk',
  examplePair: '2 x small condenser "pair L/R" > bag 1-2',
  twoLinesPairL: 'Two lines, pair L and pair R, into inlets 1 and 2',
  exampleSeries: '4 x lav "Guest #" > desk 5-8',
  guest1ToGuest4: 'Guest 1 to Guest 4, one inlet each',
  keyboardKeysDi15M: 'keyboard "Keys" > DI > 15 m > stream',
  intoTheFirstInlet: 'Into the first inlet of the stream interface that is free',
  dynamic30FtDesk9: 'dynamic > 30 ft > desk 9',
  feetAreTakenAsMetres: 'Feet are taken as metres',
  oneThingLeads:
    'One thing leads to the next by > (or ->, or →): what makes the sound, what lies between, where it goes in.',
  yourKitComesFirstThen:
    'Your kit comes first, then the catalogue. The beginning of a word is enough. Where a word fits several, the likeliest is taken, and the others are one press away.',
  aLengthIsACable:
    'A length is a cable with the plug that is needed. Between two that fit each other a cable is put in without being named.',
  aNumberAndX:
    'A number and x in front is as many lines. A name in quotes is theirs: # counts, L/R and left/right are the two of a pair.',
  aDeviceByAWord:
    'A device by a word of its name, then inlets: 3, 1-4, 1+3. Without a number, the first free one; without a device, the first free one of the rig.',
  severalLinesAtOnce: 'Several lines at once: on lines of their own (Shift Enter), or separated by semicolons.',
  whatIsNotUnderstood:
    'What is not understood is shown, and kept as a note on the line. Nothing changes until you add it, and Ctrl Z undoes it.',
  inRigAtTheFoot: 'In Rig, at the foot of the sheet. / puts the cursor there, Enter adds the lines.',
  backToTheRig: 'Back to the rig',
  rules: 'Rules',
  sources: 'Sources',
  whatLiesBetween: 'What lies between',
};
