// Builds the interface into dist/web and the server into dist/server.
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';

rmSync('dist/server', { recursive: true, force: true });
/** Messages of the reader of bodies are our own: its forty languages are left out of what is read at each start. */
const ownMessages = {
  name: 'own-messages',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^\.\.\/locales\/index\.js$/ }, ({ importer }) =>
      importer.includes('/zod/v4/')
        ? { path: join(process.cwd(), 'node_modules/zod/v4/locales/en.js'), sideEffects: false }
        : undefined,
    ),
};
await build({
  plugins: [ownMessages],
  entryPoints: {
    main: 'server/main.ts',
    worker: 'server/compute/worker.ts',
    'fill-demo': 'demo/fill.ts',
    backup: 'server/backup.ts',
    doors: 'server/doors.ts',
  },
  bundle: true,
  // All in one: finding and reading four thousand files took longer than everything else of a start. What is native, reads
  // files beside itself, or is asked for by name and never there stays outside.
  external: [
    // Tables that are read when a body is in another encoding, or not at all.
    'iconv-lite',
    'mime-db',
    'libsql',
    'sharp',
    'zxing-wasm',
    'zxing-wasm/*',
    'piscina',
    'highs',
    'pdfmake',
    'pdfmake/*',
    'nodemailer',
    'nodemailer/*',
    'bwip-js/*',
    'better-sqlite3',
    'mariadb',
    'mariadb/*',
    'mysql',
    'mysql2',
    'mysql2/*',
    'oracledb',
    'pg',
    'pg/*',
    'pg-query-stream',
    'sqlite3',
    'tedious',
    '@mikro-orm/better-sqlite',
    '@mikro-orm/cli',
    '@mikro-orm/entity-generator',
    '@mikro-orm/mariadb',
    '@mikro-orm/migrations',
    '@mikro-orm/migrations-mongodb',
    '@mikro-orm/mongodb',
    '@mikro-orm/mssql',
    '@mikro-orm/mysql',
    '@mikro-orm/postgresql',
    '@mikro-orm/reflection',
    '@mikro-orm/seeder',
    '@mikro-orm/sqlite',
  ],
  // Packages of the older kind ask for others by `require` and know where they lie.
  banner: {
    js: [
      "import { createRequire as __requireFrom } from 'node:module';",
      "import { fileURLToPath as __pathOf } from 'node:url';",
      "import { dirname as __folderOf } from 'node:path';",
      'const require = __requireFrom(import.meta.url);',
      'const __filename = __pathOf(import.meta.url);',
      'const __dirname = __folderOf(__filename);',
    ].join(' '),
  },
  platform: 'node',
  target: 'node20',
  format: 'esm',
  splitting: true,
  chunkNames: 'chunks/[name]-[hash]',
  // Less to read at each start; names stay, and lines are kept short so that a stack still says where.
  minifyWhitespace: true,
  minifySyntax: true,
  lineLimit: 120,
  sourcemap: true,
  outdir: 'dist/server',
  logLevel: 'warning',
});
const vite = spawnSync(
  process.execPath,
  ['node_modules/vite/bin/vite.js', 'build', '--logLevel', process.env.QUIET ? 'warn' : 'info'],
  { stdio: 'inherit' },
);
process.exit(vite.status ?? 1);
