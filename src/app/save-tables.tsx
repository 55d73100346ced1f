import { TablesOut } from '@/features/tables/TablesOut';

export default TablesOut;
