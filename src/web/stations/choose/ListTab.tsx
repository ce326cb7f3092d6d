import { formatMoney } from '../../../core/base/units';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import type { ChoiceAtHand } from './use-choice';

/** The shopping list: what is short, and what it costs. */
export const ListTab = ({ choice }: { choice: ChoiceAtHand }) => {
  if (!choice.parts.list) return <p className="py-4 text-ink2">Pick a tire first.</p>;
  const { result } = choice.parts.list;
  const money = (minor: number | null) =>
    minor === null ? '–' : formatMoney(minor, result.currency);
  return (
    <div className="pt-1">
      <table className="w-full border-t-2 border-ink text-left text-[16px]">
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>In stock</th>
            <th>Price</th>
          </tr>
        </thead>
        <tbody>
          {result.lines.map((l, i) => (
            <tr key={i} className="border-b border-stone3">
              <td className="py-1.5 pr-2">
                {l.count > 1 && <span className="num">{l.count} × </span>}
                {l.what}
              </td>
              <td
                className={`pr-2 text-right whitespace-nowrap ${l.short > 0 ? 'font-semibold text-check' : 'text-ink2'}`}
              >
                {l.short > 0 ? `${l.short} short` : `${l.inStock} left`}
              </td>
              <td className="num text-right">{money(l.totalMinor)}</td>
            </tr>
          ))}
          {result.disposalMinor > 0 && (
            <tr className="border-b border-stone3">
              <td className="py-1.5" colSpan={2}>
                Old tire to recycling
              </td>
              <td className="num text-right">{money(result.disposalMinor)}</td>
            </tr>
          )}
          {result.taxMinor > 0 && (
            <tr className="border-b border-stone3">
              <td className="py-1.5" colSpan={2}>
                Tax
              </td>
              <td className="num text-right">{money(result.taxMinor)}</td>
            </tr>
          )}
          <tr>
            <td className="head py-2 text-xl">
              Total <BasisTag title="the total" working={choice.parts.list} />
            </td>
            <td />
            <td className="num text-right text-[24px]">{money(result.totalMinor)}</td>
          </tr>
        </tbody>
      </table>
      <Reasons reasons={result.reasons} />
    </div>
  );
};
