import { Kinds } from '@/features/kinds/Kinds';

export default Kinds;
