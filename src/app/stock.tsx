import { Stock } from '@/features/stock/Stock';

export default Stock;
