import { ConsignorPage } from '@/features/fulfilment/ConsignorPage';

export default ConsignorPage;
