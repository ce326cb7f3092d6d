// Reads a PDF from standard input with a general-purpose library and says in JSON what a reader
// finds in it.
import { Buffer } from 'node:buffer';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const pdf = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), verbosity: 0 })
  .promise;
const { info } = await pdf.getMetadata();
const pages = [];
const tags = [];
const alts = [];
const sizes = [];
const walk = (node) => {
  if (!node?.role) return;
  tags.push(node.role);
  if (node.alt) alts.push(node.alt);
  for (const child of node.children ?? []) walk(child);
};
for (let i = 1; i <= pdf.numPages; i++) {
  const page = await pdf.getPage(i);
  sizes.push(page.view.slice(2).map(Math.round));
  const { items, lang } = await page.getTextContent();
  pages.push(items.map((item) => item.str + (item.hasEOL ? '\n' : '')).join(''));
  info.Language ??= lang;
  for (const child of (await page.getStructTree())?.children ?? []) walk(child);
}
process.stdout.write(
  JSON.stringify({
    title: info.Title,
    lang: info.Language,
    marked: await pdf.getMarkInfo(),
    pages,
    sizes,
    tags,
    alts,
  }),
);
