-- The person who withdrew proof of a wheel that was handed over; null while its release stands.
ALTER TABLE jobs ADD COLUMN withdrawn_by TEXT;
