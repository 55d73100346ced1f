import { Holds } from '@/features/fulfilment/Holds';

export default Holds;
