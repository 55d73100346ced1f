import { Sales } from '@/features/sales/Sales';

export default Sales;
