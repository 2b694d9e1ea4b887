declare module '*.css';
declare module '*.ttf' {
  const asset: number;
  export default asset;
}
declare module 'lucide-react-native/icons/*' {
  import type { LucideIcon } from 'lucide-react-native';
  const icon: LucideIcon;
  export default icon;
}
