import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type LogQuery } from '../../../api/client';
import { keys } from '../../../api/queries';

/** Several devices write into the same log: it is looked at again as often as that, ms. */
const again = 10_000;

export const useLog = (query: LogQuery) =>
    useQuery({
        queryKey: keys.log(query),
        queryFn: () => api.log(query),
        placeholderData: keepPreviousData,
        refetchInterval: again,
        retry: false,
    });
