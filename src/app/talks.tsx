import { Talks } from '@/features/fulfilment/Talks';

export default Talks;
