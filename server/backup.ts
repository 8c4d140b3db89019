import { readSettings } from './settings.ts';
import { makeBackup } from './db/backup.ts';
import { folderError } from './startError.ts';

try {
  const { folder } = readSettings(process.env);
  const made = makeBackup(folder, new Date().toISOString());
  console.log(`${folder}/backups/${made.name}: ${Math.ceil(made.bytes / 1000)} kB, whole and sound.`);
} catch (error) {
  console.error(folderError(process.env.FOX_DATA ?? 'data', error).message);
  process.exit(1);
}
