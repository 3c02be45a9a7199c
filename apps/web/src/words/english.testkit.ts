import { i18n } from '@lingui/core';

// Before any module that says something.
i18n.loadAndActivate({ locale: 'en', messages: {} });
