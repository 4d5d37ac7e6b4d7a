import { setConventions, type Conventions } from '@/core/units/conventions';

/** Hears every question that a page asks this worker, and first how the page writes figures and words. */
export function onQuestion<Question>(heard: (question: Question) => void): void {
  self.onmessage = ({ data }: MessageEvent<Question & { conventions?: Conventions }>) => {
    if (data.conventions) setConventions(data.conventions);
    heard(data);
  };
}
