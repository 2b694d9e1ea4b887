export { SvgButton } from './SvgButton';
