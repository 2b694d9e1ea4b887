import { ProductsScreen } from '@/features/screens';

export default ProductsScreen;
