/** Procedure: the steps that this wheel on this machine needs, in the order of the work. */
export { procedureFor, type Step, type ProcedureInput } from './procedure';
export { SCHOOLS, schoolChoices, type School } from './schools';
export { trouble, isCheckOf, SYMPTOMS, SYMPTOM_WORDS, type Cure, type OrderedCheck, type Symptom } from './trouble';
