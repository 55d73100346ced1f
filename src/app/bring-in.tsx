import { BringIn } from '@/features/bringIn/BringIn';

export default BringIn;
