// npm run docs: writes the tables of docs/api.md out of what each door says of itself.
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { ensureBuild, ensurePackages } from './lib.mjs';

ensurePackages();
ensureBuild();
const MARK = '<!-- made by npm run docs -->';
const [head] = readFileSync('docs/api.md', 'utf8').split(MARK);
const tables = execFileSync(process.execPath, ['dist/server/doors.js', 'tables'], { encoding: 'utf8' });
writeFileSync('docs/api.md', `${head}${MARK}\n\n${tables}`);
