// Builds what the browser gets: one stylesheet from the SCSS, Alpine's CSP build, the charts with Plot bundled, and the fonts.
import { build } from 'esbuild';
import * as sass from 'sass';
import { createHash } from 'node:crypto';
import { copyFileSync, mkdirSync, writeFileSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { join, dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const web = join(root, 'src/Dorsk.Web');
const lib = process.env.DORSK_ASSETS_OUT ?? join(web, 'wwwroot/lib');
mkdirSync(lib, { recursive: true });

const css = sass.compile(join(web, 'Styles/dorsk.scss'), {
  style: 'compressed',
  quietDeps: true,
  silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
  loadPaths: [join(root, 'node_modules')],
});
writeFileSync(join(lib, 'dorsk.css'), css.css + '\n');

// Charts are a chunk of their own, with a name that changes with it: pages without one do not load them.
for (const f of readdirSync(lib).filter((f) => /^charts-.*\.js$/.test(f))) rmSync(join(lib, f));
await build({
  entryPoints: [join(web, 'Scripts/dorsk.js')],
  bundle: true,
  minify: true,
  format: 'esm',
  target: 'es2022',
  splitting: true,
  chunkNames: '[name]-[hash]',
  outdir: lib,
  legalComments: 'none',
  logLevel: 'error',
});

const fonts = join(root, 'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files');
for (const f of readdirSync(fonts).filter(
  (f) => /latin-wght-(normal|italic)\.woff2$/.test(f) && !f.includes('latin-ext'),
))
  copyFileSync(join(fonts, f), join(lib, f));
const icons = join(web, 'Icons');
for (const f of readdirSync(icons)) copyFileSync(join(icons, f), join(lib, f));

// The script that keeps pages on phones knows the files of its version by name, and is another when any of them is.
const files = readdirSync(lib)
  .filter((f) => f !== 'worker.js' && !/\.(map|png)$/.test(f))
  .sort();
const hash = createHash('sha256');
for (const f of files) hash.update(f).update(readFileSync(join(lib, f)));
await build({
  entryPoints: [join(web, 'Scripts/worker.js')],
  minify: true,
  target: 'es2022',
  outdir: lib,
  bundle: true,
  format: 'iife',
  define: { VERSION: JSON.stringify(hash.digest('hex').slice(0, 16)), FILES: JSON.stringify(files) },
  logLevel: 'error',
});
console.log('assets written to ' + lib);
