export { figureOrgChart, graicunas, type ManagerFigures, type OrgFigures } from './figures';
export { orgChart } from './kind';
export { OrgChart } from './model';
export { orgRoles, orgVocabulary } from './words';
