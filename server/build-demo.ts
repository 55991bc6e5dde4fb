import { join } from 'node:path';
import { buildCollections } from './collections';
import { DEMO_CORPUS } from './corpus-choice';

const folder = process.argv[2] ?? join('dist', 'demo');
await buildCollections(folder, DEMO_CORPUS, (line) => console.log(line));
