import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { InputError } from '../../core/errors';
import { fieldsOf } from '../../core/fields';
import type { Working } from '../../core/working';
import { findWorking, WORKINGS } from '../../core/workings';
import { Button } from '../parts/Button';
import { TextField } from '../parts/fields';
import { Frame } from '../parts/Frame';
import { WorkingView } from '../parts/working';

type Values = Record<string, string>;

const toText = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));

/** Typed text as a value: numbers, true and false, lists and things by their notation; all else is text. */
const toValue = (text: string): unknown => {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
};

const Bench = ({ name }: { name: string }) => {
  const definition = findWorking(name)!;
  const fields = fieldsOf(definition.schema);
  const example = definition.example as Record<string, unknown>;
  const [values, setValues] = useState<Values>(() =>
    Object.fromEntries(fields.map(({ name: f }) => [f, f in example ? toText(example[f]) : ''])),
  );
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const [working, setWorking] = useState<Working | null>(() => definition.run(definition.example as never));

  const run = () => {
    const input: Record<string, unknown> = {};
    for (const { name: field, isText } of fields) {
      const text = (values[field] ?? '').trim();
      if (text) input[field] = isText ? text : toValue(text);
    }
    try {
      setWorking(definition.run(input as never));
      setProblem(null);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem({ field: error.field.split(/[.[]/)[0]!, text: `${error.message} Right would be: ${error.expected}.` });
      setWorking(null);
    }
  };
  return (
    <div className="grid gap-8 md:grid-cols-2">
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          run();
        }}
      >
        {fields.map(({ name: field, says, required }) => (
          <TextField
            key={field}
            label={`${field}${required ? '' : ' (may be left out)'}`}
            hint={says}
            value={values[field] ?? ''}
            onChange={(v) => setValues((all) => ({ ...all, [field]: v }))}
            problem={problem?.field === field ? problem.text : null}
          />
        ))}
        {problem && !fields.some((f) => f.name === problem.field) && (
          <p role="alert" className="text-stop">
            {problem.text}
          </p>
        )}
        <Button go type="submit">
          Work it out
        </Button>
      </form>
      <div aria-live="polite">
        {working ? (
          <WorkingView working={working} />
        ) : (
          <p className="py-10 text-ink2">No result: see the field that does not fit.</p>
        )}
      </div>
    </div>
  );
};

/** Every computation on its own, with the same arithmetic that the stations use. */
export const WorkingsScreen = () => {
  const { name } = useParams();
  const navigate = useNavigate();
  const chosen = name ? findWorking(name) : undefined;
  if (name && !chosen)
    return (
      <Frame title="Workings">
        <p className="py-10 text-xl">There is no working of that name.</p>
        <Link className="btn" to="/workings">
          All workings
        </Link>
      </Frame>
    );
  if (chosen)
    return (
      <Frame title={chosen.says} actions={<Button onClick={() => void navigate('/workings')}>All workings</Button>}>
        <Bench key={chosen.name} name={chosen.name} />
      </Frame>
    );
  return (
    <Frame title="Workings">
      <ul className="rows">
        {WORKINGS.map((w) => (
          <li key={w.name}>
            <Link
              to={`/workings/${w.name}`}
              className="flex min-h-14 items-center justify-between gap-4 border-b border-stone3 px-2 no-underline hover:bg-stone2"
            >
              <span className="head text-xl">{w.says}</span>
              <code className="text-[15px] text-ink2">{w.name}</code>
            </Link>
          </li>
        ))}
      </ul>
      <p className="mt-4 text-ink2">
        The same by program: POST /api/workings/name. The catalog is at GET /api/workings.
      </p>
    </Frame>
  );
};
