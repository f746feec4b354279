package yellowrail.app.lan;

import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Keeps the hash of the passphrase and the key of the sign-in cookies among the settings; the newest row holds. */
@Mapper
interface LanMapper {
    @Insert("insert into setting (id, kind, name, body) values (#{id}, 'lan', 'passphrase', #{body}::jsonb)")
    int insert(@Param("id") UUID id, @Param("body") String body);

    @Select("select body::text from setting where kind = 'lan' order by seq desc limit 1")
    Optional<String> newest();
}
