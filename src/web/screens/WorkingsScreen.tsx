import { Link, useParams } from 'react-router';
import { findWorking, WORKING_GROUPS, WORKINGS } from '../../core/workings';
import { TextField } from '../shared/fields';
import { Frame } from '../shared/Frame';
import { useAddressTexts } from '../parts/use-address';
import { SYNONYMS } from './workings/synonyms';
import { WorkingBench } from './workings/WorkingBench';

const IN_ADDRESS = ['find'] as const;

/** The calculators that match every word, also by what fitters call them, in their groups. */
const groupsFor = (find: string) => {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return WORKING_GROUPS.map((group) => ({
    ...group,
    workings: group.workings.filter((w) =>
      words.every((word) =>
        `${group.name} ${w.title} ${w.name} ${SYNONYMS[w.name] ?? ''}`.toLowerCase().includes(word),
      ),
    ),
  })).filter((group) => group.workings.length > 0);
};

const WorkingList = () => {
  const [asked, ask] = useAddressTexts(IN_ADDRESS);
  const groups = groupsFor(asked.find);
  return (
    <Frame title="Calculators">
      <div className="mb-4 max-w-xl">
        <TextField
          label={`Search ${WORKINGS.length} calculators`}
          value={asked.find}
          onChange={(find) => ask({ find })}
          maxLength={60}
        />
      </div>
      {groups.length === 0 && (
        <p className="py-10 text-center text-xl text-ink2">No matches. Try fewer words.</p>
      )}
      {groups.map((group) => (
        <section key={group.name} className="mb-6" aria-label={group.name}>
          <h2 className="mb-1 text-2xl">{group.name}</h2>
          <ul className="rows">
            {group.workings.map((w) => (
              <li key={w.name}>
                <Link
                  to={`/workings/${w.name}`}
                  className="flex min-h-12 items-center justify-between gap-4 border-b border-stone3 px-2 no-underline hover:bg-stone2"
                >
                  <span className="text-[18px]">{w.title}</span>
                  <code className="text-[15px] text-ink2 max-sm:hidden">{w.name}</code>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="mt-4 text-ink2">
        From a program: POST /api/workings/name. The list is at GET /api/workings.
      </p>
    </Frame>
  );
};

/** Every computation on its own, with the same arithmetic that the stations use. */
export const WorkingsScreen = () => {
  const { name } = useParams();
  const chosen = name ? findWorking(name) : undefined;
  if (!name) return <WorkingList />;
  const back = (
    <Link className="btn" to="/workings">
      All calculators
    </Link>
  );
  return (
    <Frame title={chosen?.title ?? 'Calculators'} actions={back}>
      {chosen ? (
        <WorkingBench key={chosen.name} definition={chosen} />
      ) : (
        <p className="py-10 text-xl">No calculator has that name.</p>
      )}
    </Frame>
  );
};
