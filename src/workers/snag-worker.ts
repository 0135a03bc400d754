/** Looks for snags beside the page; see snag-watch.ts. */
import { expose } from 'comlink';
import { SnagWatch } from './snag-watch';

expose(SnagWatch);
