import { MoneyPage } from '@/features/fulfilment/MoneyPage';

export default MoneyPage;
