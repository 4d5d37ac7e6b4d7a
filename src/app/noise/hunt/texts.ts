/** Every text of `app/noise/hunt`, by the file that shows it. */

export const page = {
  noiseHunt: 'Noise hunt',
  noiseHuntOn: (line: string) => `Noise hunt: ${line}`,
  begun: (name: string) => `${name}, begun `,
  wayAndSteps: (way: string, stepsCount: number) =>
    `; ${way}, ${stepsCount} ${stepsCount === 1 ? 'measurement' : 'measurements'}`,
  backToTheNoise: 'Back to the noise',
  noCulpritFoundYet: 'No culprit found yet.',
  suspects: 'Suspects',
  alwaysOn: ', always on',
  dbfs: (dbfs: string) => `${dbfs} dBFS`,
  switchedOneAtATime: 'Switched one at a time',
  fromTo: (component: string, from: string, to: string) => `: ${component} from ${from} to ${to}`,
  nothing: 'nothing',
};
