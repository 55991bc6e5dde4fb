export { CHECKS } from './checks';
export { REVIEW_ELEMENTS } from './finding';
export type { Finding, FindingCost, FindingFix, ReviewElement } from './finding';
export { createElementKey, createReport, printReport } from './report';
export type { ReportElement, ReportHead, ReportPoint } from './report';
export { runChecks } from './run-checks';
export type { AskedCount, CheckFacts, CheckedQuery } from './run-checks';
