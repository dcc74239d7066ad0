// The ways through a lesson.
export { expandLessons, type FindEdition, type InnerEdition } from './expand-lessons.ts';
export { listRoutes, type Route, type RouteStep } from './list-routes.ts';
export { type PathFigures, pathFigures } from './path-figures.ts';
export { type PathGraph, pathGraph } from './path-graph.ts';
export { isAside, isStraight, orderedStops } from './path-lesson.ts';
export { retargetWay } from './retarget-way.ts';
export { type Way, wayKey, waysOf } from './ways.ts';
