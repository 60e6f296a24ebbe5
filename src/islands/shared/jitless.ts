import { z } from 'zod';

// The content security policy forbids code from strings, which Zod would otherwise probe for.
z.config({ jitless: true });
