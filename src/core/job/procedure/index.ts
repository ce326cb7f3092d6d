/** Procedure: the steps that this wheel on this machine needs, in the order of the work. */
export { procedure, stepsFor } from './procedure';
export type { ProcedureInput, StepTool } from './facts';
export type { Place, Reading, Step } from './step';
export { SCHOOLS, schoolChoices, schoolWhy, type School } from './schools';
export { trouble, isCheckOf, type Cure } from './trouble';
export { canHave } from './trouble';
export { SYMPTOMS, SYMPTOM_WORDS, type Symptom } from './symptoms';
export { MACHINE_STEPS } from './machine-steps';
export { PROOF_STEPS, needsOwnTick } from './needs-own-tick';
