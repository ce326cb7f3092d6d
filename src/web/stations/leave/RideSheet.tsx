import { useState } from 'react';
import type { EntryData } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { ApprovalPin } from '../../shared/ApprovalPin';
import { useApproval } from '../../shared/use-approval';
import { useApp } from '../../store';
import { Cautions } from '../StationLayout';

type How = EntryData['test-ride']['how'];

/** The cautions for the ride. Common practice. */
const MIND = [
  'New tires are slippery: gently, upright at first. Only where riding is allowed, by someone licensed to ride it.',
  'Brake at walking pace first. Then the warning light, then straight ahead: does it pull, does it shake, and at which speed?',
  'If in doubt, do not ride it. The maker’s manual, local codes and licensed practice decide.',
];

/** Ridden, or refused by name; what shakes stands beside the figures of the balance. */
export const RideSheet = ({ onDone }: { onDone: () => void }) => {
  const { job, state, write } = useJob();
  const approval = useApproval(job.id, state.rider);
  const { read, say } = useUnits();
  const who = useApp((s) => s.prefs.who);
  const [how, setHow] = useState<How>('ridden');
  const [by, setBy] = useState('');
  const [shakes, setShakes] = useState('');
  const [found, setFound] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { balanced } = state.balance;
  const leftG = balanced?.leftG ?? state.balance.weights?.residualG ?? null;
  const keep = async () => {
    const name = by.trim() || (how === 'refused' ? state.rider : who);
    const shakesAtKmh = shakes.trim() ? read(shakes, 'km/h') : null;
    if (!name) return setProblem('Enter who rode it, or who declined.');
    if (shakes.trim() && (shakesAtKmh === null || shakesAtKmh < 5 || shakesAtKmh > 300))
      return setProblem('Shakes at: enter a road speed or leave it empty.');
    if (how === 'not good' && !found.trim() && shakesAtKmh === null)
      return setProblem('Enter what was wrong.');
    const refused = await approval.approve(name);
    setProblem(refused);
    if (refused !== null) return;
    const data = { how, by: name, shakesAtKmh, found: found.trim() };
    if (await write([{ kind: 'test-ride', data }], 'Test ride saved.')) onDone();
  };
  return (
    <Sheet title="Test ride" closes="Close test ride" footed>
      <Cautions list={MIND} />
      <div className="mt-4 grid gap-3 sm:grid-cols-2">
        <ChoiceField
          label="How it went"
          value={how}
          onChange={(v) => setHow(v as How)}
          options={[
            ['ridden', 'ridden, OK'],
            ['not good', 'ridden, problem found'],
            ['refused', 'not ridden: declined'],
          ]}
        />
        <TextField
          label={how === 'refused' ? 'Declined by' : 'Ridden by'}
          value={by}
          maxLength={60}
          onChange={setBy}
          hint={`empty: ${how === 'refused' ? state.rider : who || 'who is at the bench'}`}
        />
        <ApprovalPin approval={approval} name={by.trim()} />
        {how !== 'refused' && (
          <>
            <QuantityField
              label="Shakes at"
              unit="km/h"
              value={shakes}
              onChange={setShakes}
              hint="empty if it does not shake"
            />
            <TextField label="What was found" value={found} maxLength={300} onChange={setFound} />
          </>
        )}
      </div>
      {how !== 'refused' && shakes.trim() && (
        <p className="mt-3 border-l-4 border-water pl-3">
          {leftG === null
            ? 'This wheel was not balanced. Start there.'
            : `${say(leftG, 'g')} of imbalance was left. Look for a lost weight, then check the bead line and the runout.`}
        </p>
      )}
      <SheetFoot keeps="Save" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
