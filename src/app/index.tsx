import { Today } from '@/features/today/Today';

export default Today;
