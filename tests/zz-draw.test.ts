import { WORKINGS } from '../src/core/workings';
import { InputError } from '../src/core/errors';
import { seeded } from '../src/core/statistics';
import { drawInput } from './draw-input';
import { VERDICT_RANK } from '../src/core/working';
const walk = (v: any, path: string, see: (p: string, v: any) => void) => {
  see(path, v);
  if (v && typeof v === 'object') for (const k of Object.keys(v)) walk(v[k], path + '.' + k, see);
};
const N = Number(process.env.N ?? 150);
const faults: Record<string, number> = {};
const firsts: Record<string, string> = {};
const fault = (k: string, input: any, more = '') => {
  faults[k] = (faults[k] ?? 0) + 1;
  firsts[k] ??= JSON.stringify(input).slice(0, 700) + ' => ' + more.slice(0, 500);
};
test('draw', () => {
  const only = process.env.W;
  const stats: string[] = [];
  for (const w of WORKINGS) {
    if (only && !new RegExp(only).test(w.name)) continue;
    if (process.env.X && new RegExp(process.env.X).test(w.name)) continue;
    const began = Date.now();
    const chance = seeded(7);
    let ok = 0,
      slow = 0;
    const seen: Record<string, number> = {};
    for (let i = 0; i < N && Date.now() - began < 6000; i++) {
      const input = drawInput(w.schema, chance) as any;
      const t = performance.now();
      let out: any;
      try {
        out = w.run(input as never);
      } catch (e: any) {
        const ms = performance.now() - t;
        if (ms > 100) fault(w.name + ': slow refusal', input, String(ms));
        if (!(e instanceof InputError)) {
          fault(w.name + ': THROWS ' + e.message, input, e.stack);
        } else {
          const txt = e.field + ' ' + e.message + ' ' + e.expected;
          if (/undefined|NaN|null|\[object|  |Infinity/.test(txt)) fault(w.name + ': refusal text', input, txt);
          seen[e.field.replace(/\d+/g, 'n')] = (seen[e.field.replace(/\d+/g, 'n')] ?? 0) + 1;
        }
        continue;
      }
      const ms = performance.now() - t;
      ok++;
      slow = Math.max(slow, ms);
      if (ms > 100) fault(w.name + ': slow', input, String(ms));
      walk({ r: out.result, l: out.lines, b: out.basis, c: out.cautions }, w.name, (p, v) => {
        if (typeof v === 'number' && !Number.isFinite(v))
          fault(w.name + ': not finite ' + p.replace(/\d+/g, 'n'), input);
        if (typeof v === 'number' && Math.abs(v) > 1e7)
          fault(w.name + ': huge ' + p.replace(/\d+/g, 'n'), input, String(v));
        if (
          typeof v === 'string' &&
          (/undefined|NaN|null|\[object|Infinity/.test(v) ||
            /\S  +\S/.test(v) ||
            /\b1 (bites|days|pieces|years|holes|readings|tries|spokes|locks)\b/.test(v))
        )
          fault(w.name + ': text ' + p.replace(/\d+/g, 'n'), input, v);
      });
      const reasons = (out.result as any)?.reasons;
      if (Array.isArray(reasons) && reasons.length && reasons.every((r: any) => r.verdict)) {
        const worst = Math.max(...reasons.map((r: any) => VERDICT_RANK[r.verdict as 'good']));
        const v = out.verdict === null ? -1 : VERDICT_RANK[out.verdict as 'good'];
        if (worst !== v) fault(w.name + `: verdict ${out.verdict} reasons ${worst}`, input, JSON.stringify(reasons));
      }
    }
    stats.push(`${w.name} ok ${ok}/${N} slowest ${slow.toFixed(0)} ms ${JSON.stringify(seen)}`);
  }
  console.log(
    stats.join('\n') +
      '\n\n' +
      Object.entries(faults)
        .map(([k, n]) => `${n} × ${k}\n    ${firsts[k]}`)
        .join('\n'),
  );
}, 600000);
