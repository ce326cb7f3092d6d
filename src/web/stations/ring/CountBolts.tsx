import { useState } from 'react';
import { Button } from '../../parts/Button';
import { QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';

const FEWEST = 3;
const MOST = 36;

/** Bolts of a ring that no one counted yet, and their torque by the maker: the wheel keeps both. */
export const CountBolts = () => {
  const { wheel, write } = useJob();
  const { read } = useUnits();
  const [bolts, setBolts] = useState('');
  const [torque, setTorque] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    const count = /^\d{1,2}$/.test(bolts.trim()) ? Number(bolts) : 0;
    const torqueNm = torque.trim() ? read(torque, 'Nm') : null;
    const least = wheel.build === 'split' ? FEWEST : FEWEST + 1;
    if (count < least || count > MOST)
      return setProblem(`Bolts: enter a whole number from ${least} to ${MOST}.`);
    if (torque.trim() && (torqueNm === null || torqueNm < 0.5 || torqueNm > 200))
      return setProblem('Torque: enter the ring maker’s value or leave it empty.');
    setProblem(null);
    await write(
      [{ kind: 'ring-set', data: { bolts: count, torqueNm } }],
      'Bolts saved to the wheel.',
    );
  };
  return (
    <div className="mt-3 border-l-4 border-water pl-3" role="group" aria-label="Count the bolts">
      <p className="head text-xl">How many bolts? What torque does the maker give?</p>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <QuantityField label="Bolts" unit={null} value={bolts} onChange={setBolts} />
        <QuantityField
          label="Torque"
          unit="Nm"
          value={torque}
          onChange={setTorque}
          hint="from the ring’s maker"
        />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button small go onClick={() => void keep()}>
          Save bolts
        </Button>
        {problem && (
          <p role="alert" className="text-stop">
            {problem}
          </p>
        )}
      </div>
    </div>
  );
};
