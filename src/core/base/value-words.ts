/** Values that are stored under another name than the one people read. */
const WORDS: Readonly<Record<string, string>> = {
  'split pin': 'cotter pin',
  'lbf·ft': 'ft-lb',
  // Ring bolts.
  'round and round': 'around in order',
  crossing: 'crisscross',
  // Where the levers start.
  'lock nearest': 'start at the rim lock',
  'a quarter away': 'start a quarter turn away',
  'opposite the valve': 'start opposite the valve',
  'valve last': 'finish at the valve',
  'clear of the valve': 'start and finish off the valve',
  'against the cap': 'backed off against the cap',
  // Labor is charged by.
  'the wheel': 'wheel',
  'the hour': 'hour',
  // Old tires.
  kept: 'kept by the shop',
  'given back': 'returned to rider',
  // Levels of practice.
  'light stand, full shelf': 'free stand, full stock',
  'light stand, coarse shelf': 'free stand, large weights only',
  'light stand, few shelf': 'free stand, few weights',
  'usual stand, full shelf': 'average stand, full stock',
  'usual stand, coarse shelf': 'average stand, large weights only',
  'usual stand, few shelf': 'average stand, few weights',
  'heavy stand, full shelf': 'stiff stand, full stock',
  'heavy stand, coarse shelf': 'stiff stand, large weights only',
  'heavy stand, few shelf': 'stiff stand, few weights',
  'with a lock': 'with a rim lock',
  'a dry bead': 'dry bead',
  'one side hangs': 'one side won’t seat',
  'something is wrong': 'hidden defect',
  'against the weather': 'changing weather',
  'hardly any': 'very slow leak',
  'on the rack': 'off the machine',
  'aired by others': 'pressures unknown',
  'two that differ': 'two different tires',
  'a ring that tilts': 'tilting ring',
  'bundles that vary': 'uneven bundles',
  'too thin': 'bundles too thin',
  plain: 'simple',
  'one step apart': 'nearly alike',
  'a full rack': 'full rack',
  'a wobble': 'side to side',
  'wobble and hop': 'side to side, up and down',
  battered: 'bent in several places',
};

/** The on-screen name of a stored choice; most are called as they are stored. */
export const valueWord = (stored: string): string => WORDS[stored] ?? stored;
