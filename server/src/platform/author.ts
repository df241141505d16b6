/** Until there are accounts, everything is done by the one who sits at this computer. */
export const LOCAL_AUTHOR = 'local';
