import { Outgoing } from '@/features/outgoing/Outgoing';

export default Outgoing;
