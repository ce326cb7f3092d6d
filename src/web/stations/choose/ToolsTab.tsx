import type { ToolList } from '../../../core/bench/fitting';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import type { ChoiceAtHand } from './use-choice';

/** The last group stands beside the others, so that all of them are seen at once. */
const Groups = ({ groups }: { groups: ToolList['groups'] }) => (
  <>
    {groups.map((g) => (
      <section key={g.name} className="mb-4 break-inside-avoid">
        <h3 className="border-b-2 border-ink pb-0.5 text-[19px]">{g.name}</h3>
        <ul>
          {g.tools.map((t) => (
            <li key={t.what} className="border-b border-stone3 py-[3px] leading-tight">
              <span className="block text-[16px] font-semibold">{t.what}</span>
              <span className="block text-[14px] text-ink2">{t.why}</span>
            </li>
          ))}
        </ul>
      </section>
    ))}
  </>
);

/** The tools laid out in groups, where the picture stands else. */
export const ToolCloth = ({ choice }: { choice: ChoiceAtHand }) => (
  <div className="gap-x-8 pt-1 sm:columns-2">
    <Groups groups={choice.parts.tools?.result.groups.slice(0, -1) ?? []} />
  </div>
);

/** The doubts about the laying out. */
export const ToolsTab = ({ choice }: { choice: ChoiceAtHand }) => {
  if (!choice.parts.tools) return <p className="py-4 text-ink2">Pick a tire first.</p>;
  const { groups, reasons } = choice.parts.tools.result;
  return (
    <div className="pt-3">
      <p className="flex items-center justify-between gap-3">
        {groups.reduce((n, g) => n + g.tools.length, 0)} things to lay out before the first bolt.
        <BasisTag title="tools" working={choice.parts.tools} />
      </p>
      <Reasons reasons={reasons} className="mt-2 mb-4" />
      <Groups groups={groups.slice(-1)} />
    </div>
  );
};
