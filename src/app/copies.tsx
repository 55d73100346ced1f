import { Copies } from '@/features/attic/Copies';

export default Copies;
