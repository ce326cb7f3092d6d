-- Says that the file is a shop's: 'RIMS'. Another program's database is never taken for one.
PRAGMA application_id = 1380535635;
