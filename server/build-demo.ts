import { join } from 'node:path';
import { DEMO_CORPUS, buildCollections } from './collections/index';

const folder = process.argv[2] ?? join('dist', 'demo');
await buildCollections(folder, DEMO_CORPUS, (line) => console.log(line));
