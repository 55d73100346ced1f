import { Planned } from '@/features/planned/Planned';

export default Planned;
