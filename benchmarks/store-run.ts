/** Measures the store alone: `npm run benchmark -- store`. */
import { measurePatches } from './store';

console.table(await measurePatches());
