/**
 * A lint for texts that people read: words the program does not use, and what it says instead. It
 * reads string literals, templates and JSX text of the syntax tree; keys of the API and of the
 * database are single words or stand in `STORED`.
 */

/** Each pattern with the word to use. */
const AVOIDED = [
  [/\b(nobody|somebody|everybody|whoever)\b/i, 'no one, someone, everyone'],
  [/\banew\b/i, 'again, start over'],
  [/\bnoughts?\b/i, 'zero'],
  [/\bany more\b/i, 'anymore'],
  [/\bonce more\b/i, 'again'],
  [/\ball the same\b/i, 'anyway'],
  [/\bso that it\b/i, 'so it'],
  [/\bto be looked\b|\blooked at again\b/i, 'to check, recheck'],
  [/\b(is|are) written\b(?! on| the)/i, 'saved'],
  [/\bno such\b(?! address)/i, 'not found'],
  [/\b\d+ of 100\b/, 'a percentage'],
  [/\blamp\b/i, 'warning light'],
  [/\bphotographs?\b/i, 'photo'],
  [/\baltitude\b/i, 'elevation'],
  [/\btrial mass\b/i, 'trial weight'],
  [/\bsplit pins?\b/i, 'cotter pin'],
  [/\bschools?\b/i, 'method'],
  [/\bworkings\b/i, 'calculator, the math'],
  [/\bdoors\b/i, 'sign-in'],
  [
    /\b(labour|colour|metres?|litres?|centre|millimetres?|kilometres?|cancelled|judgement|towards)\b/i,
    'American spelling',
  ],
  [/\bcured?\b/i, 'fixed'],
  [/\btaught\b/i, 'recalibrated'],
  [/\bthe shelf\b/i, 'stock'],
  [/\boutbox\b/i, 'unsent entries'],
  [/o'clock/, 'o’clock'],
  [/\d %/, 'no space before %'],
  [/\bRight would be\b/, 'an imperative'],
  [/\bcome in\b(?! pairs)/i, 'sign in, check in'],
  [/\btake (it|them) (in|out)\b/i, 'import, export, remove'],
];

/** Texts that stay: stored values and keys, and cautions kept word for word. */
const STORED = new Set([
  'split pin',
  'Nobody over the wheel.',
  'A bursting tire or rim kills. Clip-on chuck, gauge and valve at arm’s length, nobody over the wheel.',
  'Never above the limit; nobody over the wheel.',
  'A leak shows only under air. The chuck stays clipped on, nobody over the wheel.',
]);

/** A key, a path or SQL: nothing that is shown. A single word is shown if it has a capital. */
const isCode = (text) =>
  (!/[a-zA-Z’]{2,} \S/.test(text) && !/^[A-Z][a-z]+$/.test(text)) ||
  /^(SELECT|INSERT|UPDATE|DELETE|CREATE|ALTER|WITH|PRAGMA)\b/.test(text.trim());

const rule = {
  meta: {
    type: 'problem',
    docs: { description: 'plain shop English in the texts that people read' },
    schema: [],
    messages: { avoided: '"{{found}}" in a text that people read: write {{instead}}' },
  },
  create(context) {
    const check = (node, whole) => {
      // Addresses and file names are keys.
      const text = whole.replace(/\S*\/\S*/g, '/');
      if (STORED.has(text.trim()) || (node.type !== 'JSXText' && isCode(text))) return;
      for (const [pattern, instead] of AVOIDED) {
        const found = pattern.exec(text)?.[0];
        if (found) context.report({ node, messageId: 'avoided', data: { found, instead } });
      }
    };
    return {
      Literal(node) {
        const { parent } = node;
        if (typeof node.value !== 'string') return;
        if (/^(Import|Export|TSLiteralType)/.test(parent.type)) return;
        if (parent.type === 'JSXAttribute' && parent.name.name === 'className') return;
        check(node, node.value);
      },
      TemplateLiteral(node) {
        check(node, node.quasis.map((q) => q.value.cooked).join('…'));
      },
      JSXText(node) {
        check(node, node.value.replace(/\s+/g, ' '));
      },
    };
  },
};

/** The plugin: one rule, `words/plain`. */
export default { rules: { plain: rule } };
