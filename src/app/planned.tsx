import { Planned } from '@/features/connections/Planned';

export default Planned;
