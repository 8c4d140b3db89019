// npm run backup: copies the place in FOX_DATA (./data unless set) into its backups/ folder, also while it is in use.
import { spawnSync } from 'node:child_process';
import { ensureBuild, ensurePackages } from './lib.mjs';

ensurePackages();
ensureBuild();
process.exit(spawnSync(process.execPath, ['dist/server/backup.js'], { stdio: 'inherit' }).status ?? 1);
