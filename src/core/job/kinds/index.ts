import { airOutEntry } from './air-out';
import { balanceAgainEntry } from './balance-again';
import { balanceHintEntry } from './balance-hint';
import { balancedEntry } from './balanced';
import { beadMeasuredEntry } from './bead-measured';
import { brakeEntry } from './brake';
import { cameOffEntry } from './came-off';
import { chosenEntry } from './chosen';
import { clearanceEntry } from './clearance';
import { declinedEntry } from './declined';
import { discRunoutEntry } from './disc-runout';
import { findingsEntry } from './findings';
import { groundEntry } from './ground';
import { handedOverEntry } from './handed-over';
import { levelCheckEntry } from './level-check';
import { levelTestEntry } from './level-test';
import { loadEntry } from './load';
import { lookedAgainEntry } from './looked-again';
import { machineReadingEntry } from './machine-reading';
import { marksEntry } from './marks';
import { moldedLineEntry } from './molded-line';
import { nipplesTurnedEntry } from './nipples-turned';
import { noteEntry } from './note';
import { odometerEntry } from './odometer';
import { openedEntry } from './opened';
import { photoEntry } from './photo';
import { popEntry } from './pop';
import { pressureSetEntry } from './pressure-set';
import { recheckEntry } from './recheck';
import { restEntry } from './rest';
import { rimShapeEntry } from './rim-shape';
import { ringBoltEntry } from './ring-bolt';
import { ringGapEntry } from './ring-gap';
import { ringSetEntry } from './ring-set';
import { rulesEntry } from './rules';
import { runoutEntry } from './runout';
import { schoolEntry } from './school';
import { seatAgainEntry } from './seat-again';
import { seatCeilingEntry } from './seat-ceiling';
import { seatReadingEntry } from './seat-reading';
import { seatedEntry } from './seated';
import { sensorGapEntry } from './sensor-gap';
import { slackEntry } from './slack';
import { spokeRingEntry } from './spoke-ring';
import { stepEntry } from './step';
import { stepsEntry } from './steps';
import { stringEntry } from './string';
import { swingEntry } from './swing';
import { tapedEntry } from './taped';
import { taughtEntry } from './taught';
import { testRideEntry } from './test-ride';
import { torquedEntry } from './torqued';
import { trialEntry } from './trial';
import { trialRestEntry } from './trial-rest';
import { troubleEntry } from './trouble';
import { undoEntry } from './undo';
import { weightsEntry } from './weights';

/**
 * Every kind of entry, by the name it has on disk and in the API, in the order of the work. A new
 * kind is a file beside this one and a line here: its schema, sentence, effect on the job and
 * policy follow from its definition.
 */
export const KINDS = {
  opened: openedEntry,
  rules: rulesEntry,
  'came-off': cameOffEntry,
  clearance: clearanceEntry,
  chosen: chosenEntry,
  load: loadEntry,
  school: schoolEntry,
  step: stepEntry,
  steps: stepsEntry,
  findings: findingsEntry,
  photo: photoEntry,
  trouble: troubleEntry,
  'rim-shape': rimShapeEntry,
  runout: runoutEntry,
  'spoke-ring': spokeRingEntry,
  'nipples-turned': nipplesTurnedEntry,
  'bead-measured': beadMeasuredEntry,
  'ring-gap': ringGapEntry,
  'ring-set': ringSetEntry,
  'ring-bolt': ringBoltEntry,
  'air-out': airOutEntry,
  taped: tapedEntry,
  note: noteEntry,
  'seat-reading': seatReadingEntry,
  pop: popEntry,
  'molded-line': moldedLineEntry,
  'seat-ceiling': seatCeilingEntry,
  seated: seatedEntry,
  'seat-again': seatAgainEntry,
  'pressure-set': pressureSetEntry,
  ground: groundEntry,
  'balance-hint': balanceHintEntry,
  rest: restEntry,
  trial: trialEntry,
  weights: weightsEntry,
  'level-test': levelTestEntry,
  swing: swingEntry,
  'machine-reading': machineReadingEntry,
  balanced: balancedEntry,
  'balance-again': balanceAgainEntry,
  'trial-rest': trialRestEntry,
  'level-check': levelCheckEntry,
  torqued: torquedEntry,
  slack: slackEntry,
  marks: marksEntry,
  string: stringEntry,
  brake: brakeEntry,
  'sensor-gap': sensorGapEntry,
  'disc-runout': discRunoutEntry,
  'test-ride': testRideEntry,
  declined: declinedEntry,
  odometer: odometerEntry,
  taught: taughtEntry,
  recheck: recheckEntry,
  'looked-again': lookedAgainEntry,
  'handed-over': handedOverEntry,
  undo: undoEntry,
};
