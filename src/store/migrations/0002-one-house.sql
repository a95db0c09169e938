-- A publication has one house.
create unique index house_of_publication on document (publication_id) where kind = 'house';
