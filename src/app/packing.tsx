import { Packing } from '@/features/desk/Packing';

export default Packing;
