import { TableIn } from '@/features/tables/TableIn';

export default TableIn;
