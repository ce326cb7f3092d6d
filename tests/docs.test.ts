import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const ROOT = join(__dirname, '..');
const PAGES = [
  'README.md',
  'src/README.md',
  ...readdirSync(join(ROOT, 'docs'), { recursive: true })
    .map((name) => `docs/${String(name)}`)
    .filter((name) => name.endsWith('.md')),
];
const read = (path: string) => readFileSync(join(ROOT, path), 'utf8');
const { scripts } = JSON.parse(read('package.json')) as { scripts: Record<string, string> };

/** The anchor that a heading gets. */
const anchorOf = (heading: string) =>
  heading
    .toLowerCase()
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/\s/g, '-');

describe.each(PAGES)('%s', (page) => {
  const text = read(page);

  test('links to pages and headings that exist', () => {
    const links = [...text.matchAll(/\]\((?!https?:)([^)#\s]*)(?:#([^)]*))?\)/g)];
    const broken = links.filter(([, path, anchor]) => {
      const target = path ? join(dirname(page), path) : page;
      if (!existsSync(join(ROOT, target))) return true;
      if (anchor === undefined) return false;
      const headings = [...read(target).matchAll(/^#+ (.*)$/gm)].map(([, h]) => anchorOf(h!));
      return !headings.includes(anchor);
    });
    expect(broken.map(([link]) => link)).toEqual([]);
  });

  test('names files and commands that exist', () => {
    const commands = [...text.matchAll(/npm run ([\w:]+)/g)].map(([, name]) => name!);
    expect(commands.filter((name) => !(name in scripts))).toEqual([]);
    const files = [...text.matchAll(/`((?:src|tests|docs|scripts)\/[\w./-]+)`/g)].map(
      ([, path]) => path!,
    );
    const own = [...text.matchAll(/`((?:core|server|web|demo)\/[\w./-]+)`/g)].map(
      ([, path]) => `src/${path}`,
    );
    expect([...files, ...own].filter((path) => !existsSync(join(ROOT, path)))).toEqual([]);
  });
});

test('the front page is short, and the map shorter than a hundred lines', () => {
  expect(read('README.md').split(/\s+/).length).toBeLessThan(700);
  expect(read('src/README.md').split('\n').length).toBeLessThanOrEqual(100);
});

test('the map names every area of the core', () => {
  const areas = readdirSync(join(ROOT, 'src/core'), { withFileTypes: true }).filter((d) =>
    d.isDirectory(),
  );
  for (const { name } of areas) expect(read('src/README.md')).toContain(`core/${name}`);
});
