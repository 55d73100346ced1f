import { QueryCache, QueryClient } from '@tanstack/react-query';

import { unlessExpected } from './faults';

/**
 * Answers of the server that screens show, asked once for all who show them. Nothing is asked again by
 * itself: whoever shows it says when (a key that changes, or `refetch`).
 *
 * @example
 *   const asked = { queryKey: ['coupons', market], queryFn: () => coupons(market) };
 *   const { data, error } = useQuery(asked, queries);
 */
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: false,
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      // The server is on this machine: it can be asked without any network.
      networkMode: 'always',
    },
  },
  // What is expected is told where it is shown.
  queryCache: new QueryCache({ onError: unlessExpected('asking the server') }),
});
