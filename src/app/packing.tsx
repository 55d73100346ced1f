import { Packing } from '@/features/fulfilment/Packing';

export default Packing;
