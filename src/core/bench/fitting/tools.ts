import {
  count,
  uniqueBy,
  listOf,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
  boolean,
} from '../../base/fields';
import { ruleWord, type RuleValues } from '../../base/rules';
import { torqueWrench, type TorqueWrench } from '../torque';
import {
  RENEWS,
  BUILDS,
  DISC_SIDES,
  DRIVES,
  MACHINE_KINDS,
  onFourWheels,
  type Build,
  type Drive,
  type Fastener,
  type MachineKind,
} from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  kind: MachineKind;
  drive: Drive;
  end: 'front' | 'rear';
  build: Build;
  discSide: (typeof DISC_SIDES)[number];
  tube: boolean;
  rimLocks: number;
  /** Of a beadlock: rings that are bolted on; one if left out. */
  rings?: number;
  /** Inches; small wheels want other tools. */
  rimDiameterIn: number;
  /** The fasteners that hold this wheel. */
  fasteners: Fastener[];
  wrenches: TorqueWrench[];
  rules?: RuleValues;
}

/** One thing to lay out, and what it is for. */
interface Tool {
  what: string;
  why: string;
}

export interface ToolList {
  groups: { name: string; tools: Tool[] }[];
  reasons: Reason[];
}

const SMALL_RIM_IN = 12;

const lift = ({ kind, drive, end, discSide }: Input): Tool[] => [
  onFourWheels(kind)
    ? { what: 'jack and two stands', why: 'under the frame, both sides' }
    : {
        what: 'center stand or jack, stands',
        why: 'under the frame, both sides; the side stand down as a fallback',
      },
  ...(discSide === 'none'
    ? []
    : [
        { what: 'wire or cord', why: 'hangs the caliper off its hose' },
        { what: 'wood wedge', why: 'parts the pads, never metal' },
      ]),
  ...(drive === 'chain' && end === 'rear'
    ? [{ what: 'rag', why: 'between chain and sprocket, to pull the wheel against its stops' }]
    : []),
  ...(drive === 'shaft' && end === 'rear'
    ? [{ what: 'spline grease', why: 'on the drive’s splines, before it goes back' }]
    : []),
  { what: 'grease, anti-seize', why: 'axle, spacers, seals' },
  { what: 'new cotter pin', why: 'where one was' },
];

const LUBRICANT: Tool = { what: 'lubricant for beads', why: 'generous, on both faces' };
const THREE_LEVERS: Tool = { what: 'three levers', why: 'two hold, one works' };
const PROTECTORS: Tool = { what: 'rim protectors', why: 'bought, or cut from a plastic jug' };
const BREAKER: Tool = { what: 'bead breaker', why: 'stiff beads on small or humped rims' };

/** The tools that move the beads, by the shop's method. */
const beadTools = ({ build, rules }: Input): Tool[] => {
  const breaks = ruleWord('bead.break', rules);
  const withChanger = ruleWord('lever.tool', rules) === 'changer';
  return [
    ...(breaks === 'hands and levers' ? [] : [{ what: breaks, why: 'breaks the beads' }]),
    ...(withChanger
      ? [
          { what: 'changer', why: 'moves the beads over the flange' },
          ...(build === 'spoked'
            ? [{ what: 'strap', why: 'holds a spoked wheel on the changer' }]
            : []),
          ...(breaks === 'hands and levers' ? [THREE_LEVERS] : []),
        ]
      : [
          THREE_LEVERS,
          { what: 'bead keeper', why: 'stops the mounted part from climbing back out' },
        ]),
    PROTECTORS,
  ];
};

const levers = (input: Input): Tool[] => {
  const { build, rings, rimDiameterIn, kind } = input;
  if (build === 'beadlock')
    return [
      LUBRICANT,
      ...(rings === 2
        ? []
        : [THREE_LEVERS, PROTECTORS, { ...BREAKER, why: 'for the bead that no ring holds' }]),
      { what: 'anti-seize', why: 'on threads and under washers' },
      { what: 'caliper', why: 'for the crush' },
      { what: 'feeler gauge', why: 'for the gap round the ring' },
      { what: 'sockets for the ring bolts', why: 'after all air is out, and not before' },
      { what: 'speed wrench', why: 'runs the ring bolts down; only a torque wrench finishes' },
    ];
  if (build === 'split')
    return [
      LUBRICANT,
      { what: 'sockets for the rim bolts', why: 'after all air is out, and not before' },
    ];
  return [
    ...beadTools(input),
    ...(onFourWheels(kind) || rimDiameterIn <= SMALL_RIM_IN ? [BREAKER] : []),
    LUBRICANT,
    { what: 'wheel stand, bucket or blocks', why: 'keeps weight off the disc' },
  ];
};

/** Machines whose driven wheels have to match in circumference. */
const TAPED: readonly MachineKind[] = ['drag', 'sidecar'];

const air = (
  { tube, rimLocks, build, kind, end }: Input,
  rules: RuleValues | undefined,
): Tool[] => {
  const school = ruleWord('valveNut.school', rules);
  return [
    { what: 'valve core tool', why: 'with a grip: the core flies' },
    ...(tube
      ? [
          { what: 'talc', why: 'on the tube, thin, all round' },
          {
            what: 'wrench for the valve nut',
            why: school === 'tightened' ? 'tightened, by the shop’s method' : `left ${school}`,
          },
        ]
      : [{ what: 'soapy water', why: 'bead, stem and core: bubbles mean a leak' }]),
    ...(rimLocks > 0
      ? [{ what: 'wrench for the rim lock', why: 'back to its last two threads, then snug' }]
      : []),
    ...(build === 'spoked' && tube
      ? [{ what: 'strip or cloth tape', why: 'over the nipples' }]
      : []),
    { what: 'compressor, clip-on chuck, gauge', why: 'at arm’s length from tire and rim' },
    ...(TAPED.includes(kind) && end === 'rear'
      ? [{ what: 'steel tape', why: 'for rollout, both tires' }]
      : []),
  ];
};

const balance = ({ build, kind }: Input): Tool[] => [
  { what: 'balance stand', why: 'level, bearings free' },
  ...(kind === 'scooter'
    ? [{ what: 'adapter for a hub-mounted wheel', why: 'it has no axle of its own' }]
    : []),
  {
    what: build === 'spoked' ? 'weights for spokes, or adhesive' : 'adhesive weights',
    why: 'masking tape for the trial',
  },
  {
    what: 'solvent, then alcohol and water',
    why: 'solvent leaves a film that weights do not hold on',
  },
];

/** Sockets by size, each with what it turns. */
const sockets = (fasteners: readonly Fastener[]): Tool[] => {
  const by = new Map<string, string[]>();
  for (const f of fasteners) if (f.socket) by.set(f.socket, [...(by.get(f.socket) ?? []), f.name]);
  return [...by].map(([what, names]) => ({ what, why: names.join(', ') }));
};

/**
 * The tools and parts to lay out for a wheel before the first bolt: by machine, rim, tube and
 * school, with a wrench for every torque.
 *
 * `fasteners` those that hold this wheel; `wrenches` of the shop. Common practice: a job interrupted for tools takes
 * twice as long.
 */
export const tools = defineWorking<Input, ToolList>({
  name: 'tools',
  title: 'Tools for a job',
  input: () => ({
    kind: oneOf(MACHINE_KINDS, 'Kind of machine'),
    drive: oneOf(DRIVES, 'Drive'),
    end: oneOf(['front', 'rear'], 'The end of the machine'),
    build: oneOf(BUILDS, 'Rim build'),
    discSide: oneOf(DISC_SIDES, 'Side of the brake disc'),
    tube: boolean('With a tube'),
    rimLocks: count(0, 3, 'Rim locks'),
    rings: count(1, 2, 'Beadlock rings').optional(),
    rimDiameterIn: quantity('in', 4, 23, 'Diameter of the rim'),
    fasteners: uniqueBy(
      listOf(
        record(
          {
            name: text(60, 'Name of the fastener'),
            wheel: oneOf(['front', 'rear', 'any'], 'Which wheel it holds'),
            torqueNm: quantity('Nm', 0.1, 1000, 'Torque in the manual').allow(null),
            socket: text(20, 'Socket or key').allow(null),
            renews: oneOf(RENEWS, 'One-time part').optional(),
          },
          'A fastener',
        ),
        40,
        'Fasteners that hold this wheel',
      ),
      'name',
    ),
    wrenches: listOf(
      record(
        {
          name: text(60, 'Name of the wrench'),
          minNm: quantity('Nm', 0, 2000, 'Lowest setting'),
          maxNm: quantity('Nm', 0.1, 2000, 'Highest setting'),
        },
        'A wrench',
      ),
      100,
      'Torque wrenches of the shop',
    ),
    rules: ruleValues(),
  }),
  example: {
    kind: 'dirt',
    drive: 'chain',
    end: 'rear',
    build: 'spoked',
    discSide: 'right',
    tube: true,
    rimLocks: 1,
    rimDiameterIn: 19,
    fasteners: [
      { name: 'rear axle nut', wheel: 'rear', torqueNm: 108, socket: '27 mm', renews: 'nothing' },
    ],
    wrenches: [{ name: 'big click', minNm: 27, maxNm: 203 }],
  },
  work(input, show) {
    const { fasteners, wrenches, rules } = input;
    const reasons: Reason[] = [];
    const covering = fasteners
      .filter((f) => f.torqueNm !== null)
      .map((f): Tool => {
        const { wrench } = torqueWrench.run({ torqueNm: f.torqueNm!, wrenches }).result;
        if (!wrench)
          reasons.push(
            reason('check', `No torque wrench covers the ${f.name}, {0}.`, [
              { value: f.torqueNm!, unit: 'Nm' },
            ]),
          );
        return { what: wrench?.name ?? 'no wrench covers it', why: f.name };
      });
    const noSocket = fasteners.filter((f) => !f.socket).map((f) => f.name);
    if (noSocket.length > 0)
      reasons.push(reason('good', `The socket is not recorded for: ${noSocket.join(', ')}.`));
    const merged = [...new Map(covering.map((t) => [t.what, t])).keys()].map((what): Tool => ({
      what,
      why: covering
        .filter((t) => t.what === what)
        .map((t) => t.why)
        .join(', '),
    }));
    const groups = [
      { name: 'Machine', tools: lift(input) },
      { name: 'Sockets and torque', tools: [...sockets(fasteners), ...merged] },
      { name: 'Tire', tools: [...levers(input), { what: 'gloves, apron, glasses', why: 'yours' }] },
      { name: 'Air', tools: air(input, rules) },
      { name: 'Balance', tools: balance(input) },
    ].filter((g) => g.tools.length > 0);
    for (const g of groups) show.line(g.name, 'to lay out', g.tools.map((t) => t.what).join(', '));
    show.basis('practice', 'lay everything out before the first bolt');
    if (fasteners.some((f) => f.torqueNm !== null))
      show.basis('manual', 'torque values of the machine');
    show.verdict(worstOf(reasons));
    if (input.build === 'split')
      show.caution('Split rim: let all air out before any rim bolt is undone.');
    return { groups, reasons };
  },
});
