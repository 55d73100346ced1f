import { Sorting } from '@/features/intake/Sorting';

export default Sorting;
