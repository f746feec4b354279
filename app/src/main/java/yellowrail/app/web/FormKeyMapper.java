package yellowrail.app.web;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Keeps the key that form tokens are signed with; the first one stays. */
@Mapper
interface FormKeyMapper {
    @Insert("""
            insert into setting (id, kind, name, body)
            select gen_random_uuid(), 'key', 'forms', to_jsonb(#{key}::text)
            where not exists (select 1 from setting where kind = 'key')""")
    int keep(@Param("key") String key);

    @Select("select body #>> '{}' from setting where kind = 'key' order by seq limit 1")
    String first();
}
