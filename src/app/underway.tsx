import { Underway } from '@/features/outgoing/Underway';

export default Underway;
