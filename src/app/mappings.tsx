import { Mappings } from '@/features/connections/Mappings';

export default Mappings;
