import { join } from 'node:path';

/** The place's file in its folder. */
export const fileIn = (folder: string): string => join(folder, 'fox-button.db');
