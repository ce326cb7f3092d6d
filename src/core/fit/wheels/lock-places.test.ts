import { rimLockPick, stripPick, tireRank, tools, materials, valvePick } from '../../bench/fitting';
import { bitePlan } from '../../bench/beads';
import { procedure } from '../../job/procedure';
import { checkRecord, complete } from '../../shop/records';
import { tubePick } from '../tubes';
import { checkLockPlaces } from '.';

const refused = (act: () => unknown): string => {
  try {
    act();
    return '';
  } catch (error) {
    return String(error instanceof Error ? error.message : error);
  }
};

/** A wheel as it is written down, with locks at these places. */
const wheelOf = (rimLockDegs: readonly number[]) =>
  checkRecord('wheels', {
    ...complete('wheels', { id: 'w', machineId: 'm', position: 'rear', build: 'spoked' }),
    rimCode: '2.15x19',
    tireMarking: '110/90-19',
    tube: true,
    tubelessMarked: false,
    rimLockDegs,
  });

describe('places of rim locks', () => {
  test.each([
    [[210, 214], 'Two rim locks cannot sit in one place.'],
    [[355, 4.9], 'A rim lock cannot sit where the valve is.'],
    [[358], 'A rim lock cannot sit where the valve is.'],
    [[210, 220], ''],
    [[5, 355], ''],
    [[], ''],
  ])('%j: %s', (lockDegs, says) => {
    expect(refused(() => checkLockPlaces('locks', lockDegs)).startsWith(says)).toBe(true);
    expect(refused(() => checkLockPlaces('locks', lockDegs)) === '').toBe(says === '');
  });

  test('are held to that wherever they come in', () => {
    const lockDegs = [210, 212];
    for (const act of [
      () => rimLockPick.run({ ...rimLockPick.example, lockDegs }),
      () => bitePlan.run({ ...bitePlan.example, lockDegs }),
      () => procedure.run({ ...procedure.example, locks: lockDegs }),
    ])
      expect(refused(act)).toMatch(/one place/);
    expect(refused(() => wheelOf(lockDegs))).toMatch(/one place/);
    expect(refused(() => wheelOf([210]))).toBe('');
  });
});

test('a list in which two things have one name is refused at the second of them', () => {
  const twice = <T>(list: readonly T[]): T[] => [...list.slice(0, 1), ...list.slice(0, 1)];
  const asks: [string, () => unknown][] = [
    [
      'locks[1].id',
      () => rimLockPick.run({ ...rimLockPick.example, locks: twice(rimLockPick.example.locks) }),
    ],
    [
      'strips[1].id',
      () => stripPick.run({ ...stripPick.example, strips: twice(stripPick.example.strips) }),
    ],
    [
      'tires[1].id',
      () => tireRank.run({ ...tireRank.example, tires: twice(tireRank.example.tires) }),
    ],
    [
      'fasteners[1].name',
      () => tools.run({ ...tools.example, fasteners: twice(tools.example.fasteners) }),
    ],
    [
      'shelf[1].id',
      () => materials.run({ ...materials.example, shelf: twice(materials.example.shelf) }),
    ],
    [
      'stems[1].id',
      () => valvePick.run({ ...valvePick.example, stems: twice(valvePick.example.stems) }),
    ],
    [
      'tubes[1].id',
      () => tubePick.run({ ...tubePick.example, tubes: twice(tubePick.example.tubes) }),
    ],
  ];
  for (const [field, act] of asks) {
    expect(act).toThrow(/is listed twice/);
    expect(act).toThrow(expect.objectContaining({ field }));
  }
});
