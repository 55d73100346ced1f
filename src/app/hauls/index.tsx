import { Hauls } from '@/features/attic/Hauls';

export default Hauls;
