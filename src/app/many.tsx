import { Many } from '@/features/many/Many';

export default Many;
