import { HaulPage } from '@/features/attic/HaulPage';

export default HaulPage;
