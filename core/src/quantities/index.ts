export { containersFor, type ContainerCount } from './containers';
export { LOSSES } from './losses';
