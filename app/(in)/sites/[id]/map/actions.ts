'use server';

import { saveSiteMap as saveSiteMapCommand } from '@/commands/sites/save-site-map';
import { importSiteMap as importSiteMapCommand } from '@/commands/sites/import-site-map';
import { serve } from '@/app/_server/serve';

export const saveSiteMap = serve(saveSiteMapCommand);
export const importSiteMap = serve(importSiteMapCommand);
