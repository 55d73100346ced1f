import { ConsignorPage } from '@/features/desk/ConsignorPage';

export default ConsignorPage;
