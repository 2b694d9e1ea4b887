export { LAYER_ROLES, suitedCoating, usualSystem, type LayerRole, type UsualSystem } from './usual';
