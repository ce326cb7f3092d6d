import { findRule } from '../rules';

/** Rules in which fitters disagree about the way of working; a job may differ from its shop in each. */
export const SCHOOLS = ['bite.start', 'tube.out', 'tube.in', 'tube.school', 'lightMark.to', 'valveNut.school', 'balance.sides'] as const;
export type School = (typeof SCHOOLS)[number];

/** What a school may be, in the shop's words. */
export const schoolChoices = (school: School): readonly string[] => findRule(school).choices!;
