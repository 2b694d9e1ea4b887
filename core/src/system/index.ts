export {
  LAYER_ROLES,
  UNDER_LIMIT,
  checkSystem,
  type Ground,
  conditionUnder,
  systemFilm,
  systemWaiting,
  type Layer,
  type LayerRole,
  type SystemIssue,
} from './layers';
export { RECIPES, recipesFor, type Recipe, type RecipeLayer } from './recipes';
export { suitedCoating, usualSystem, type UsualSystem } from './usual';
