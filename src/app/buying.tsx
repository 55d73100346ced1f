import { Buying } from '@/features/buying/Buying';

export default Buying;
