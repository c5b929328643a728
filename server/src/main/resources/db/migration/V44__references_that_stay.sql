-- how far a request or a table has come is written often; which files it refers to is looked for only where that may change
drop trigger intake_request_files on intake_request;
create trigger intake_request_files after insert or delete or update of "values", people, finished on intake_request
    for each row execute function refer_to_files('id', 'replaces');
drop trigger brought_table_files on brought_table;
create trigger brought_table_files
    after insert or delete or update of file, subject, settings, recognised, heads, second on brought_table
    for each row execute function refer_to_files('id', 'replaces');
