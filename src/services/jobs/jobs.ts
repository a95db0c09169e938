import { JOB_KINDS } from './kinds';
import { Jobs } from './queue';

const shared = globalThis as { restlessKiteJobs?: Jobs };

/** The jobs of this server. Whoever asks for one begins to do them too. */
export const jobs = (): Jobs => (shared.restlessKiteJobs ??= new Jobs(JOB_KINDS));
