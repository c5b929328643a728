-- what the file in the folder of the office's files says, so that an empty folder where a share should be isn't taken for it;
-- null while no files are kept in a folder
alter table file_place add column folder_mark text;
