// `npm ci` ends with this: the command line is ready to start.
import { ensureCliBundle } from './lib/cli-bundle.mjs';

await ensureCliBundle();
