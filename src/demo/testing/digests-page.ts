/** Puts the digests at hand of a test, in a page or in a worker. */
import { digestsOf } from './digests';

Object.assign(globalThis, { digestsOf });
