import { Promises } from '@/features/desk/Promises';

export default Promises;
