export { figureTopics, leavesBelow, type ClassFigures, type TopicFigures } from './figures';
export { topicTree } from './kind';
export { TopicTree } from './model';
export { topicRoles, topicVocabulary } from './words';
