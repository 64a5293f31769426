export { writePlan, PLAN_KIND, PLAN_VERSION, type PlanGiven } from './write-plan';
export { writePlanPage, type PageGiven } from './write-plan-page';
